import { CommandError } from '@bogen/core';
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
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

function asProblem(error: unknown, unexpected: (error: unknown) => void): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof CommandError) return new HttpProblem('refused', error.message);
  if (isDatabaseGone(error)) {
    return new HttpProblem(
      'database-unavailable',
      'The database does not answer. Nothing was changed; try again in a moment.',
    );
  }
  const type = error instanceof Error && 'type' in error ? String(error.type) : '';
  if (type === 'entity.too.large')
    return new HttpProblem(
      'too-large',
      'This is larger than what is accepted here. Nothing was changed; make it smaller and try again.',
    );
  if (type === 'entity.parse.failed') return new HttpProblem('bad-request', 'The body is not JSON.');
  if (type === 'charset.unsupported' || type === 'encoding.unsupported')
    return new HttpProblem('bad-request', 'The body must be JSON in UTF-8.');
  if (error instanceof URIError) return new HttpProblem('not-found', 'There is nothing at this address.');
  unexpected(error);
  return new HttpProblem('internal', 'Something went wrong on the server. Nothing was changed; try again.');
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
