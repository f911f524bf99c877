import type { Told, ToldValue } from '@bogen/core/lesson';
import { z } from 'zod';

/** The stable types of `application/problem+json` answers, as `type` carries them. */
export const problemTypes = [
  'bad-request',
  'too-large',
  'wrong-sign-in',
  'wrong-code',
  'wrong-class-code',
  'wrong-return-key',
  'name-taken',
  'not-signed-in',
  'not-allowed',
  'foreign-origin',
  'not-found',
  'stale',
  'refused',
  'too-many-requests',
  'too-costly',
  'busy',
  'database-unavailable',
  'internal',
] as const;

const value: z.ZodType<ToldValue> = z.lazy(() => z.union([z.number(), z.string(), toldSchema]));
/** A sentence as its code and values. */
export const toldSchema: z.ZodType<Told> = z.object({
  code: z.string(),
  parameters: z.record(z.string(), value),
});

export type ProblemType = (typeof problemTypes)[number];

/** An error as the server answers it (RFC 9457). */
export const problemSchema = z.object({
  type: z.enum(problemTypes),
  title: z.string(),
  status: z.int(),
  /** One clear sentence in English: what is wrong and what to do. */
  detail: z.string(),
  /** The same as the code of a sentence and its values, for whoever puts it into another language. */
  told: toldSchema,
  /** With `refused` and `too-large`: the step of a batch that was refused; nothing of the batch was saved. */
  step: z.string().optional(),
  /** With `too-many-requests` and `busy`: seconds until another try makes sense. */
  retryAfter: z.number().optional(),
  /** With `stale`: the document as it now stands. */
  current: z.unknown().optional(),
});

export type Problem = z.infer<typeof problemSchema>;
