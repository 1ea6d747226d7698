import { ownClassSchema } from '@hum-lever/core';
import { Body, Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags } from '@nestjs/swagger';
import { apiSchema } from '../http/apiSchema.ts';
import { parseOr422 } from '../http/problem.ts';
import { DrawerService } from './drawer.service.ts';

@ApiTags('drawer')
@Controller('api/drawer')
export class DrawerController {
  constructor(private readonly drawer: DrawerService) {}

  @Get()
  @ApiOperation({ summary: 'Parts that makers described themselves, by title' })
  list() {
    return this.drawer.list();
  }

  @Post()
  @ApiOperation({ summary: 'Keeps one; it takes the place of what is called the same' })
  @ApiBody({ schema: apiSchema(ownClassSchema) })
  keep(@Body() body: unknown) {
    return this.drawer.keep(parseOr422(ownClassSchema, body));
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Takes one out; gadgets that have it keep theirs' })
  remove(@Param('id') id: string) {
    return this.drawer.remove(id);
  }
}
