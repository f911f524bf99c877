import { randomUUID } from 'node:crypto';
import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import type { Metrics } from './metrics.js';

/**
 * Gives every request an id, which stands in the answer and in every line of the log about it, counts it and logs it
 * when it is answered: method, route, status and time. The route is logged and not the address, and nothing of
 * headers, queries or bodies, so that no secret gets into a log.
 */
export function watchRequests(log: Logger, metrics: Metrics): RequestHandler {
  return (request, response, next) => {
    const given = request.get('x-request-id');
    // A proxy that is believed may have given the id already.
    const isGiven = given !== undefined && /^[\w.-]{1,64}$/.test(given) && request.ips.length > 0;
    const id = isGiven ? given : randomUUID();
    response.locals['requestId'] = id;
    response.set('X-Request-Id', id);
    const began = process.hrtime.bigint();
    response.once('close', () => {
      const seconds = Number(process.hrtime.bigint() - began) / 1e9;
      const endpoint = response.locals['endpoint'] as string | undefined;
      const route = (response.locals['route'] as string | undefined) ?? 'other';
      // A visitor who left before the answer is none of the server's failures.
      const status = response.writableFinished ? response.statusCode : 499;
      metrics.answered(request.method, route, status, seconds, endpoint);
      log.info({ id, method: request.method, route, status, ms: Math.round(seconds * 1000) }, 'request');
    });
    next();
  };
}
