import { z, type ZodType } from 'zod';
import { batchLimits } from './limits.js';

/** How many of the newest steps are handed out with a document, for undo after a reload. */
export const logLength = 1000;

const stepId = z.uuid();

/** A step as a client sends it: the server finds the inverse itself. */
export function stepSchema<Command extends ZodType>(command: Command) {
  return z.discriminatedUnion('kind', [
    z.strictObject({ id: stepId, kind: z.literal('do'), command }),
    z.strictObject({ id: stepId, kind: z.literal('undo') }),
    z.strictObject({ id: stepId, kind: z.literal('redo') }),
  ]);
}

/** Steps to append, with the revision they start from. */
export function appendSchema<Command extends ZodType>(command: Command) {
  return z.strictObject({
    base: z.int().min(0),
    steps: z
      .array(stepSchema(command))
      .min(1)
      .max(batchLimits.steps)
      .refine((steps) => new Set(steps.map(({ id }) => id)).size === steps.length, {
        message: 'two steps have the same id',
      }),
  });
}

/** A document at a revision, with the newest steps that led to it. */
export function streamSchema<Document extends ZodType, Command extends ZodType>(
  document: Document,
  command: Command,
) {
  return z.object({
    document,
    revision: z.int(),
    log: z.array(
      z.discriminatedUnion('kind', [
        z.object({ id: stepId, kind: z.literal('do'), command, inverse: command }),
        z.object({ id: stepId, kind: z.literal('undo') }),
        z.object({ id: stepId, kind: z.literal('redo') }),
      ]),
    ),
  });
}

export const appendedSchema = z.object({ revision: z.int() });
