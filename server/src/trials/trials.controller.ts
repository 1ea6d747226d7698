import { trialSchema } from '@hum-lever/core';
import { Body, Controller, Delete, Get, Headers, HttpCode, Param, Post, Put, Res } from '@nestjs/common';
import { ApiBody, ApiHeader, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import * as z from 'zod';
import { apiSchema } from '../http/apiSchema.ts';
import { baseOf, parseOr422 } from '../http/problem.ts';
import { TrialsService } from './trials.service.ts';

const runSchema = z.strictObject({ revision: z.number().int().min(1).max(999_999_999) });

@ApiTags('trials')
@Controller('api/gadgets/:gadgetId/trials')
export class TrialsController {
  constructor(private readonly trials: TrialsService) {}

  @Get()
  @ApiOperation({ summary: 'Trials of a gadget with their last runs' })
  list(@Param('gadgetId') gadgetId: string) {
    return this.trials.list(gadgetId);
  }

  @Post()
  @ApiOperation({ summary: 'A new trial' })
  @ApiBody({ schema: apiSchema(trialSchema) })
  create(@Param('gadgetId') gadgetId: string, @Body() body: unknown) {
    return this.trials.create(gadgetId, parseOr422(trialSchema, body));
  }

  @Put(':id')
  @ApiOperation({ summary: 'Saves the script; 409 where its base is not the newest' })
  @ApiHeader({
    name: 'If-Match',
    description: 'The version this save is based on, in quotes',
    required: true,
  })
  @ApiBody({ schema: apiSchema(trialSchema) })
  save(
    @Param('gadgetId') gadgetId: string,
    @Param('id') id: string,
    @Headers('if-match') ifMatch: string | undefined,
    @Body() body: unknown,
  ) {
    return this.trials.save(gadgetId, id, baseOf(ifMatch), parseOr422(trialSchema, body));
  }

  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Removes a trial and its runs' })
  remove(@Param('gadgetId') gadgetId: string, @Param('id') id: string) {
    return this.trials.remove(gadgetId, id);
  }

  @Get(':id')
  @ApiOperation({ summary: 'One trial with its last runs' })
  one(@Param('gadgetId') gadgetId: string, @Param('id') id: string) {
    return this.trials.one(gadgetId, id);
  }

  @Post(':id/runs')
  @ApiOperation({
    summary:
      'Plays it on a revision and keeps the result: 201 with the trial, or 202 with the job while it plays',
  })
  @ApiBody({ schema: apiSchema(runSchema) })
  async run(
    @Param('gadgetId') gadgetId: string,
    @Param('id') id: string,
    @Body() body: unknown,
    @Res({ passthrough: true }) response: Response,
  ) {
    const ran = await this.trials.run(gadgetId, id, parseOr422(runSchema, body).revision);
    if ('job' in ran) response.status(202).setHeader('Location', `/api/jobs/${ran.job.id}`);
    return ran;
  }
}
