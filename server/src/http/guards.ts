import type { NextFunction, Request, Response } from 'express';
import { Problem } from './problem.ts';

const loopback = new Set(['127.0.0.1', 'localhost', '[::1]']);

const hostname = (host: string) => host.replace(/:\d+$/, '');

/**
 * Refuses writes that another site's page made the browser send, and, on loopback, requests that came by a foreign
 * name (a page elsewhere whose name was turned to point here).
 */
export function sameOriginOnly(boundTo: string) {
  const onLoopback = loopback.has(boundTo) || boundTo === '::1';
  return (request: Request, _response: Response, next: NextFunction): void => {
    const host = request.headers.host ?? '';
    if (onLoopback && !loopback.has(hostname(host)))
      throw new Problem(403, 'foreign-origin', 'Expected this server to be called by its loopback address.');
    if (request.method !== 'GET' && request.method !== 'HEAD') {
      const { origin } = request.headers;
      const foreign = origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`;
      if (foreign || request.headers['sec-fetch-site'] === 'cross-site')
        throw new Problem(403, 'foreign-origin', 'Writes are taken from Hum Lever’s own pages only.');
    }
    next();
  };
}
