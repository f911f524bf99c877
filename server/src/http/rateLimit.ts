import { toldByServer } from '@bogen/contract';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { RequestHandler } from 'express';
import { sessionKeyOf } from './session.js';
import { HttpProblem } from './problem.js';

/**
 * A brake on floods, not on people: a whole class sits behind one address and saves all the time. Each signed-in
 * browser has a count of its own, and an address one that is far above what a class does. Counts are kept in
 * this process, since nothing is lost with them.
 */
export function limitFloods(): RequestHandler[] {
  return [
    limit(60_000, (request) => ipKeyGenerator(request.ip ?? '')),
    limit(1500, (request) => sessionKeyOf(request) ?? ipKeyGenerator(request.ip ?? '')),
  ];
}

function limit(
  most: number,
  keyGenerator: (request: Parameters<RequestHandler>[0]) => string,
): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: most,
    keyGenerator,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, _response, next) =>
      next(
        new HttpProblem('too-many-requests', toldByServer('tooManyRequests'), {
          retryAfter: 60,
        }),
      ),
  });
}
