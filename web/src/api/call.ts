import type { Told } from '@bogen/core/lesson';
import type { Answer, Body, EndpointName, Params, Problem, Query } from '@bogen/contract';
import { everyonesPaths } from '@bogen/contract/paths/everyone';
import { sendTold } from './sendTold.js';

/** The server's answer that something is wrong, with the code of its sentence. */
export class ApiProblem extends Error {
  override readonly name = 'ApiProblem';
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

/** The server could not be reached, or could not reach its database: worth trying again. */
export class NotConnected extends Error {
  override readonly name = 'NotConnected';
  /** @param told what the server says of it, where it could */
  constructor(
    message = 'The server can’t be reached.',
    readonly told?: Told,
  ) {
    super(message);
  }
}

export type Input<Name extends EndpointName> = (Params<Name> extends undefined
  ? object
  : { params: Params<Name> }) &
  (Query<Name> extends undefined ? object : { query?: Query<Name> }) &
  (Body<Name> extends undefined ? object : { body: Body<Name> }) & {
    signal?: AbortSignal;
    /** Lets the request outlive the page, for small bodies. */
    keepalive?: boolean;
    /** Told how much of a long body is sent, 0 to 1. */
    onSent?: (share: number) => void;
  };

/** Who answers: the server or, where a lesson stands alone, the page itself. */
let ask: typeof fetch = (...request) => fetch(...request);

/** Lets requests be answered by the page itself. */
export function answerBy(own: typeof fetch): void {
  ask = own;
}

/** Whether the server has another build of the application by now than the one that this page came from. */
let outdated = false;

function noteBuild({ headers }: Response): void {
  const now = headers.get('bogen-build');
  const own = document.querySelector<HTMLMetaElement>('meta[name="build"]')?.content;
  outdated ||= now !== null && own !== undefined && own !== now;
}

/** Whether the server was updated since this page was loaded: the next page is loaded anew, and not from what is gone. */
export const isOutdated = (): boolean => outdated;

/** Asks the server whether it was updated. Where it can't be reached it was not, as far as one knows. */
export async function askWhetherOutdated(): Promise<boolean> {
  await call('session', {}).catch(() => undefined);
  return outdated;
}

/** Calls one of the endpoints that a reader's pages know. `call` of `instructorCall` knows all. */
export const call = <Name extends keyof typeof everyonesPaths>(
  name: Name,
  input: Input<Name>,
): Promise<Answer<Name>> => callAt<Name>(everyonesPaths[name], input);

/**
 * Calls an endpoint of the contract.
 * @throws ApiProblem where the server refuses, NotConnected where it can't be reached
 */
export async function callAt<Name extends EndpointName>(
  endpoint: { readonly method: string; readonly path: string },
  input: Input<Name>,
): Promise<Answer<Name>> {
  const { params, query, body, signal, keepalive, onSent } = input as {
    params?: Record<string, string>;
    query?: Record<string, unknown>;
    body?: unknown;
    signal?: AbortSignal;
    keepalive?: boolean;
    onSent?: (share: number) => void;
  };
  const path = endpoint.path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params?.[key] ?? ''));
  const search = new URLSearchParams();
  for (const [key, value] of Object.entries(query ?? {}))
    if (value !== undefined) search.set(key, String(value));
  const text = body === undefined ? undefined : JSON.stringify(body);
  let response: Response;
  try {
    const address = `/api${path}${search.size > 0 ? `?${search.toString()}` : ''}`;
    const method = endpoint.method.toUpperCase();
    const headers = { 'content-type': 'application/json' };
    response =
      onSent && text !== undefined
        ? await sendTold(address, { method, headers, body: text }, onSent)
        : await ask(address, {
            method,
            ...(text === undefined ? {} : { body: text, headers }),
            ...(signal ? { signal } : {}),
            // Browsers refuse to keep alive more than 64 kB.
            keepalive: keepalive === true && (text?.length ?? 0) < 60_000,
          });
  } catch (error) {
    if (signal?.aborted) throw error;
    throw new NotConnected();
  }
  noteBuild(response);
  if (response.ok) return (await response.json()) as Answer<Name>;
  if (!response.headers.get('content-type')?.includes('problem+json')) {
    throw new NotConnected();
  }
  const problem = (await response.json()) as Problem;
  if (problem.type === 'database-unavailable') throw new NotConnected(problem.detail, problem.told);
  throw new ApiProblem(problem);
}

/**
 * Fetches code that was not part of the page. After an update it stands under another name: everything is loaded anew then,
 * and nothing has failed.
 * @throws NotConnected where it could not be fetched
 */
export async function fetchCode<Code>(fetch: () => Promise<Code>): Promise<Code> {
  try {
    return await fetch();
  } catch {
    if (await askWhetherOutdated()) await new Promise(() => location.reload());
    throw new NotConnected();
  }
}
