import { Controller, Get, HttpCode, Post, Req, Res } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { ShelfService } from './shelf.service.ts';

@ApiTags('shelf')
@Controller('api/shelf')
export class ShelfController {
  constructor(private readonly shelf: ShelfService) {}

  @Get('backup')
  @ApiOperation({ summary: 'Everything that is kept, as one file' })
  async backup(@Res() response: Response) {
    const day = new Date().toISOString().slice(0, 10);
    response.attachment(`hum-lever-${day}.shelf.gz`).type('application/gzip');
    await this.shelf.backup(response);
  }

  @Post('restore')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes in the file of a shelf; nothing that is here is changed' })
  restore(@Req() request: Request) {
    return this.shelf.restore(request);
  }
}
