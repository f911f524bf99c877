import { toldByServer } from '@bogen/contract';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Request, RequestHandler } from 'express';
import type { Db } from '../db/connect.js';
import { FloodCounts } from './floodCounts.js';
import { HttpProblem } from './problem.js';
import { sessionKeyOf } from './session.js';

/** How much may come in a minute from an address, and from a signed-in browser. */
export interface FloodLimits {
  readonly address: number;
  readonly session: number;
  /** The time by which minutes are counted, in ms; that of the machine where none is given. */
  readonly now?: () => number;
}

export const floodLimits: FloodLimits = { address: 60_000, session: 1500 };

/**
 * A brake on floods, not on people: a whole class sits behind one address and saves all the time. Each signed-in
 * browser has a count of its own, and an address one that is far above what a class does.
 */
export function limitFloods(db: Db, { address, session, now }: FloodLimits): RequestHandler[] {
  const addressOf = (request: Request): string => ipKeyGenerator(request.ip ?? '');
  return [
    // What is left to all behind an address is of no use to one of them.
    limit(new FloodCounts(db, 'address', address, undefined, now), address, false, addressOf),
    limit(
      new FloodCounts(db, 'session', session, undefined, now),
      session,
      'draft-7',
      (request) => sessionKeyOf(request) ?? addressOf(request),
    ),
  ];
}

function limit(
  store: FloodCounts,
  most: number,
  standardHeaders: false | 'draft-7',
  keyGenerator: (request: Request) => string,
): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: most,
    store,
    keyGenerator,
    standardHeaders,
    legacyHeaders: false,
    // What the library would find wrong in how it is set up, it finds in the tests.
    validate: process.env['NODE_ENV'] === 'test',
    handler: (_request, _response, next) =>
      next(new HttpProblem('too-many-requests', toldByServer('tooManyRequests'), { retryAfter: 60 })),
  });
}
