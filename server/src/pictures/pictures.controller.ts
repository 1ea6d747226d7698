import { Body, Controller, Get, Param, Post, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { Problem } from '../http/problem.ts';
import { PicturesService } from './pictures.service.ts';

@ApiTags('pictures')
@Controller('api/pictures')
export class PicturesController {
  constructor(private readonly pictures: PicturesService) {}

  @Post()
  @ApiOperation({ summary: 'Keeps a picture (PNG, JPEG or WebP, up to 5 MB) and names it by its sum' })
  add(@Body() bytes: unknown) {
    if (!Buffer.isBuffer(bytes)) throw new Problem(422, 'invalid', 'Expected a picture, got nothing.');
    return this.pictures.add(bytes);
  }

  @Get(':sha256')
  @ApiOperation({ summary: 'A picture; it never changes' })
  async get(@Param('sha256') sha256: string, @Res() response: Response) {
    const { type, bytes } = await this.pictures.get(sha256);
    response
      .setHeader('Cache-Control', 'private, max-age=31536000, immutable')
      .type(type)
      .send(Buffer.from(bytes));
  }
}
