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
    // What is left to all behind an address is of no use to one of them.
    limit(60_000, false, (request) => ipKeyGenerator(request.ip ?? '')),
    limit(1500, 'draft-7', (request) => sessionKeyOf(request) ?? ipKeyGenerator(request.ip ?? '')),
  ];
}

function limit(
  most: number,
  standardHeaders: false | 'draft-7',
  keyGenerator: (request: Parameters<RequestHandler>[0]) => string,
): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: most,
    keyGenerator,
    standardHeaders,
    legacyHeaders: false,
    handler: (_request, _response, next) =>
      next(
        new HttpProblem('too-many-requests', toldByServer('tooManyRequests'), {
          retryAfter: 60,
        }),
      ),
  });
}
