import { CommandError } from '@bogen/core/lesson';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { isDatabaseGone } from '../db/connect.js';
import { HttpProblem } from './problem.js';

/** Turns whatever was thrown into `application/problem+json`. */
export function errorHandler(log: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const { problem } = asProblem(error, (unknown) =>
      log.error({ err: unknown, path: request.path }, 'unexpected error'),
    );
    if (problem.type === 'database-unavailable')
      log.warn({ reason: error instanceof Error ? error.message : String(error) }, 'database unavailable');
    if (problem.retryAfter !== undefined) response.set('Retry-After', String(problem.retryAfter));
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

function asProblem(error: unknown, unexpected: (error: unknown) => void): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof CommandError) return new HttpProblem('refused', error.message);
  if (error instanceof URIError) return new HttpProblem('not-found', 'There is nothing at this address.');
  const status = statusOf(error);
  if (status === undefined && isDatabaseGone(error)) {
    return new HttpProblem(
      'database-unavailable',
      'The database does not answer. Nothing was changed; try again in a moment.',
    );
  }
  if (status === 413)
    return new HttpProblem(
      'too-large',
      'This is larger than what is accepted here. Nothing was changed; make it smaller and try again.',
    );
  if (status === 415)
    return new HttpProblem(
      'bad-request',
      'The body must be JSON in UTF-8, sent as it is and not compressed.',
    );
  if (status === 404) return new HttpProblem('not-found', 'There is nothing at this address.');
  if (status !== undefined && status >= 400 && status < 500)
    return new HttpProblem('bad-request', 'The body is not JSON.');
  unexpected(error);
  return new HttpProblem('internal', 'Something went wrong on the server. Nothing was changed; try again.');
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
  if (foreign)
    throw new HttpProblem('foreign-origin', 'This request came from another site and was refused.');
  if (!request.is('application/json'))
    throw new HttpProblem('bad-request', 'The body must be JSON, sent as application/json.');
  next();
};

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}
