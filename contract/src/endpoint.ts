import type { ZodType } from 'zod';

/** Who may call an endpoint. An administrator is an instructor too. */
export type Access = 'anyone' | 'administrator' | 'instructor' | 'student' | 'signedIn';

/** One request of the HTTP interface, as server, browser and the OpenAPI document all read it. */
export interface Endpoint {
  readonly method: 'get' | 'post' | 'put';
  /** Below `/api`, with parameters as `:name`. */
  readonly path: string;
  readonly summary: string;
  readonly access: Access;
  readonly params?: ZodType;
  readonly query?: ZodType;
  readonly body?: ZodType;
  /** Bytes that a body may have where it is not the usual number for this access. */
  readonly bodyLimit?: number;
  readonly answer: ZodType;
}

/** Keeps the literal types of an endpoint while checking its shape. */
export function defineEndpoint<const E extends Endpoint>(endpoint: E): E {
  return endpoint;
}
