import { toldByServer } from '@bogen/contract';
import { cleanValue, mayNeedCleaning } from '@bogen/core/lesson';
import { nestingLimit } from '@bogen/contract';
import { json, type Request, type RequestHandler, type Response } from 'express';
import { HttpProblem } from './problem.js';

/** One reader of bodies for each limit. Compressed bodies are not taken: nobody sends them, and a small one can unpack to a huge one. */
const parsers = new Map<number, RequestHandler>();

function parserFor(limit: number): RequestHandler {
  let parser = parsers.get(limit);
  if (!parser) {
    parser = json({ limit, inflate: false, verify: verifyBody });
    parsers.set(limit, parser);
  }
  return parser;
}

/** A request whose body holds text that has to be cleaned. */
const unclean = new WeakSet<object>();

function verifyBody(request: object, _response: unknown, bytes: Buffer): void {
  refuseDeepNesting(bytes);
  if (mayNeedCleaning(bytes.toString('latin1'))) unclean.add(request);
}

/**
 * Reads the JSON body of a request into `request.body`. Called when it is known who asks and how much they may
 * send, so that nobody's bytes are parsed for nothing. Characters that can't be stored are cleaned away here,
 * at the door.
 * @param limit bytes
 * @throws HttpProblem or an error with a status where the body can't be taken
 */
export async function readBody(request: Request, response: Response, limit: number): Promise<void> {
  if (!request.is('application/json') && Number(request.get('content-length') ?? 0) > 0)
    throw new HttpProblem('bad-request', toldByServer('bodyNotJson'));
  await new Promise<void>((resolve, reject) => {
    const result: unknown = parserFor(limit)(request, response, (error?: unknown) =>
      error ? reject(error instanceof Error ? error : new Error('The body could not be read.')) : resolve(),
    );
    if (result instanceof Promise) result.catch(reject);
  });
  if (unclean.has(request)) request.body = cleanValue<unknown>(request.body);
}

/**
 * Refuses arrays and objects nested deeper than anything that is meant, by one pass over the bytes: what
 * walks over a parsed value, such as a schema, may then do so by recursion.
 */
function refuseDeepNesting(bytes: Uint8Array): void {
  let depth = 0;
  let inString = false;
  for (let at = 0; at < bytes.length; at++) {
    const byte = bytes[at]!;
    if (inString) {
      if (byte === 0x5c) at++;
      else if (byte === 0x22) inString = false;
    } else if (byte === 0x22) inString = true;
    else if (byte === 0x5b || byte === 0x7b) {
      depth++;
      if (depth > nestingLimit) {
        throw new HttpProblem('bad-request', toldByServer('bodyTooDeep', { most: nestingLimit }));
      }
    } else if (byte === 0x5d || byte === 0x7d) depth--;
  }
}
