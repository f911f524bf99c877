import type { z } from 'zod';
import { accountEndpoints } from './endpoints/account.js';
import { benchEndpoints } from './endpoints/bench.js';
import { classEndpoints } from './endpoints/classes.js';
import { deskEndpoints } from './endpoints/desk.js';
import { glossaryEndpoints } from './endpoints/glossary.js';
import { healthEndpoints } from './endpoints/health.js';
import { peopleEndpoints } from './endpoints/people.js';
import { pictureEndpoints } from './endpoints/picture.js';
import { readingEndpoints } from './endpoints/reading.js';
import { shelfEndpoints } from './endpoints/shelf.js';
import { writingEndpoints } from './endpoints/writing.js';
import type { progress } from './endpoints/parts.js';

/** Every request of the HTTP interface. A new one is an entry of its feature's file, and a path. */
export const endpoints = {
  ...healthEndpoints,
  ...accountEndpoints,
  ...peopleEndpoints,
  ...shelfEndpoints,
  ...classEndpoints,
  ...writingEndpoints,
  ...readingEndpoints,
  ...deskEndpoints,
  ...glossaryEndpoints,
  ...benchEndpoints,
  ...pictureEndpoints,
} as const;

export type Endpoints = typeof endpoints;
export type EndpointName = keyof Endpoints;
/** What was parsed is never changed; and core's values, which are read-only, fit in. */
type DeepReadonly<T> = T extends object ? { readonly [Key in keyof T]: DeepReadonly<T[Key]> } : T;

export type Answer<Name extends EndpointName> = DeepReadonly<z.output<Endpoints[Name]['answer']>>;
export type Params<Name extends EndpointName> = Endpoints[Name] extends { params: infer P extends z.ZodType }
  ? z.input<P>
  : undefined;
export type Query<Name extends EndpointName> = Endpoints[Name] extends { query: infer Q extends z.ZodType }
  ? z.output<Q>
  : undefined;
export type Body<Name extends EndpointName> = Endpoints[Name] extends { body: infer B extends z.ZodType }
  ? DeepReadonly<z.input<B>>
  : undefined;
export type Progress = z.infer<typeof progress>;
