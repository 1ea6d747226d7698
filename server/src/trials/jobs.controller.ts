import { Controller, Delete, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { TrialRunner } from './trialRunner.ts';

@ApiTags('trials')
@Controller('api/jobs')
export class JobsController {
  constructor(private readonly runner: TrialRunner) {}

  @Get(':id')
  @ApiOperation({ summary: 'How far a run has come' })
  view(@Param('id') id: string) {
    return this.runner.view(id);
  }

  @Delete(':id')
  @ApiOperation({ summary: 'Cancels a run; what it had come to is forgotten' })
  cancel(@Param('id') id: string) {
    return this.runner.cancel(id);
  }
}
