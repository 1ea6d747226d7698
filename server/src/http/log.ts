import { Logger } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';

/** One line per API request: what was asked and how it ended, never what was in it. */
export function logRequests() {
  const logger = new Logger('http');
  return (request: Request, response: Response, next: NextFunction): void => {
    const began = process.hrtime.bigint();
    response.on('finish', () => {
      const ms = Number((process.hrtime.bigint() - began) / 10_000n) / 100;
      const path = request.originalUrl.split('?')[0];
      if (path?.startsWith('/api'))
        logger.log({ method: request.method, path, status: response.statusCode, ms });
    });
    next();
  };
}
