import { toldByServer } from '@bogen/contract';
import type { Access, Answer, Endpoint, EndpointName, Endpoints } from '@bogen/contract';
import { bodyLimits, endpoints } from '@bogen/contract';
import { cleanValue } from '@bogen/core/lesson';
import type { Request, Response, Router } from 'express';
import { z, type ZodType } from 'zod';
import type { Db } from '../db/connect.js';
import { readSession, type Session } from './session.js';
import { readBody } from './body.js';
import { HttpProblem } from './problem.js';

type Parsed<E, Key extends string> = E extends Record<Key, infer S extends ZodType> ? z.output<S> : undefined;

/** Endpoints for anyone get no session, so that they answer also where there is no database to ask. */
type SessionFor<E extends Endpoint> = E['access'] extends 'anyone'
  ? undefined
  : E['access'] extends 'signedIn'
    ? Exclude<Session, { who: 'nobody' }>
    : E['access'] extends 'administrator'
      ? Extract<Session, { who: 'instructor' }>
      : Extract<Session, { who: E['access'] }>;

/** What a handler gets: everything parsed, and a session of the kind that the endpoint asks for. */
export interface Call<Name extends EndpointName> {
  readonly db: Db;
  readonly params: Parsed<Endpoints[Name], 'params'>;
  readonly query: Parsed<Endpoints[Name], 'query'>;
  readonly body: Parsed<Endpoints[Name], 'body'>;
  readonly session: SessionFor<Endpoints[Name]>;
  readonly request: Request;
  readonly response: Response;
}

/**
 * Adds the handler of one endpoint of the contract to a router. First it is found out who asks and whether
 * they may, and only then is a body read, at most as large as is meant for this endpoint.
 */
export function route<Name extends EndpointName>(
  router: Router,
  db: Db,
  name: Name,
  handler: (call: Call<Name>) => Promise<Answer<Name>> | AsyncIterable<string>,
): void {
  const endpoint: Endpoint = endpoints[name];
  const limit =
    endpoint.bodyLimit ?? (endpoint.access === 'anyone' ? bodyLimits.anyone : bodyLimits.signedIn);
  router[endpoint.method](endpoint.path, async (request, response) => {
    response.locals['endpoint'] = name;
    response.locals['route'] = endpoint.path;
    const session = endpoint.access === 'anyone' ? undefined : await readSession(db, request);
    if (session?.who === 'nobody') throw new HttpProblem('not-signed-in', toldByServer('notSignedIn'));
    if (session) refuseOthers(endpoint.access, session);
    const params = parse(endpoint.params, request.params, 'address');
    if (endpoint.body) await readBody(request, response, limit);
    const call = {
      db,
      params,
      // What can't be stored can't be looked for either.
      query: parse(endpoint.query, cleanValue<unknown>(request.query), 'query'),
      body: parse(endpoint.body, request.body ?? {}, 'body'),
      session,
      request,
      response,
    };
    const answer: unknown = await handler(call as unknown as Call<Name>);
    if (isStreamed(answer)) await sendStreamed(response, answer);
    else response.json(answer);
  });
}

/** @throws HttpProblem `not-allowed` where somebody else than may calls an endpoint */
function refuseOthers(access: Access, session: Exclude<Session, { who: 'nobody' }>): void {
  if (access === 'signedIn' || access === 'anyone') return;
  const is = session.who === 'student' ? ['student'] : ['instructor', session.instructor.role];
  if (is.includes(access)) return;
  const told = {
    student: 'onlyStudents',
    instructor: 'onlyInstructors',
    administrator: 'onlyAdministrators',
  } as const;
  throw new HttpProblem('not-allowed', toldByServer(told[access]));
}

const isStreamed = (answer: unknown): answer is AsyncIterable<string> =>
  typeof answer === 'object' && answer !== null && Symbol.asyncIterator in answer;

/**
 * An answer that is too long to be held at once is JSON that comes piece by piece. Where it fails on the way it is cut
 * off, so that nobody takes a part for the whole.
 */
async function sendStreamed(response: Response, answer: AsyncIterable<string>): Promise<void> {
  response.type('application/json');
  for await (const piece of answer) {
    if (response.destroyed) return;
    if (!response.write(piece))
      await new Promise<void>((go) => {
        const on = (): void => {
          response.off('drain', on).off('close', on);
          go();
        };
        response.on('drain', on).on('close', on);
      });
  }
  response.end();
}

function parse(schema: ZodType | undefined, value: unknown, what: string): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  // A wrong id in the address is simply a place where nothing is.
  if (what === 'address') throw new HttpProblem('not-found', toldByServer('nothingHere'));
  throw new HttpProblem('bad-request', toldByServer('doesNotFit', { what, issue: firstIssue(result.error) }));
}

/** The first thing wrong, as one clause with its place. */
export function firstIssue(error: z.ZodError): string {
  const issue = error.issues[0];
  if (!issue) return 'it has another shape';
  const place = issue.path.length > 0 ? ` at ${issue.path.join('.')}` : '';
  return `${issue.message.charAt(0).toLowerCase()}${issue.message.slice(1)}${place}`;
}
