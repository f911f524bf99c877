import { toldByServer } from '@bogen/contract';
import { CommandError } from '@bogen/core/lesson';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { isDatabaseGone } from '../db/connect.js';
import { HttpProblem } from './problem.js';

/** Turns whatever was thrown into `application/problem+json`. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const { problem } = asProblem(error, (unknown) =>
      log.error({ err: unknown, id: response.locals['requestId'] as string }, 'unexpected error'),
    );
    if (problem.type === 'database-unavailable')
      log.warn({ reason: error instanceof Error ? error.message : String(error) }, 'database unavailable');
    if (problem.retryAfter !== undefined) response.set('Retry-After', String(problem.retryAfter));
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

function asProblem(error: unknown, unexpected: (error: unknown) => void): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof CommandError) return new HttpProblem('refused', error.told);
  if (error instanceof URIError) return new HttpProblem('not-found', toldByServer('nothingHere'));
  const status = statusOf(error);
  if (status === undefined && isDatabaseGone(error)) {
    return new HttpProblem('database-unavailable', toldByServer('databaseGone'));
  }
  if (status === 413) return new HttpProblem('too-large', toldByServer('bodyTooLarge'));
  if (status === 415) return new HttpProblem('bad-request', toldByServer('bodyNotPlain'));
  if (status === 404) return new HttpProblem('not-found', toldByServer('nothingHere'));
  if (status !== undefined && status >= 400 && status < 500)
    return new HttpProblem('bad-request', toldByServer('bodyUnreadable'));
  unexpected(error);
  return new HttpProblem('internal', toldByServer('unexpected'));
}

/** The HTTP status that an error of Express or of one of its parts carries. */
function statusOf(error: unknown): number | undefined {
  return error instanceof Error && 'status' in error && typeof error.status === 'number'
    ? error.status
    : undefined;
}

/**
 * Keeps other sites from acting in a visitor's name: whatever is not a plain read must carry JSON and
 * come from our own pages. Cookies are SameSite besides.
 */
export const refuseForeignOrigin: RequestHandler = (request, _response, next) => {
  if (request.method === 'GET' || request.method === 'HEAD') return next();
  const site = request.get('sec-fetch-site');
  const origin = request.get('origin');
  const foreign =
    (site !== undefined && site !== 'same-origin') ||
    (origin !== undefined && hostOf(origin) !== request.get('host'));
  if (foreign) throw new HttpProblem('foreign-origin', toldByServer('foreignOrigin'));
  if (!request.is('application/json')) throw new HttpProblem('bad-request', toldByServer('bodyNotJson'));
  next();
};

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}
