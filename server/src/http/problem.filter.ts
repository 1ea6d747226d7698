import { type ArgumentsHost, Catch, type ExceptionFilter, HttpException, Logger } from '@nestjs/common';
import type { Response } from 'express';
import { Problem, type ProblemBody, type ProblemKind } from './problem.ts';

/** Writes every error as a problem document; what was not foreseen is logged and told without its inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('http');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const body = this.asProblem(error).getResponse() as ProblemBody;
    if (response.headersSent) return;
    if (typeof body.retryAfterS === 'number') response.setHeader('Retry-After', String(body.retryAfterS));
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  }

  private asProblem(error: unknown): Problem {
    if (error instanceof Problem) return error;
    if (error instanceof HttpException) {
      // The framework's own: a body that could not be read, or an address that leads nowhere.
      const status = error.getStatus();
      if (status === 413) return new Problem(413, 'too-large', 'Expected at most 1 MiB.');
      if (status === 400) return new Problem(400, 'not-json', `Expected a body of JSON: ${error.message}.`);
      const kind: ProblemKind = status === 404 ? 'not-found' : 'invalid';
      return new Problem(status, kind, error.message);
    }
    this.logger.error((error as Error).message, (error as Error).stack);
    return new Problem(500, 'unexpected', 'The server could not do this. Nothing was changed.');
  }
}
