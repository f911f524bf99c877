import { z, type ZodType } from 'zod';
import { batchLimits, mostCounted } from './limits.js';

const stepId = z.uuid();
const at = z.iso.datetime().optional();

/** A step as a client sends it, with the time that it was on its clock: the server finds the inverse itself. */
export function stepSchema<Command extends ZodType>(command: Command) {
  return z.discriminatedUnion('kind', [
    z.strictObject({ id: stepId, kind: z.literal('do'), command, at }),
    z.strictObject({ id: stepId, kind: z.literal('undo'), at }),
    z.strictObject({ id: stepId, kind: z.literal('redo'), at }),
  ]);
}

/** Steps to append, with the revision they start from. */
export function appendSchema<Command extends ZodType>(command: Command) {
  return z.strictObject({
    base: z
      .int()
      .min(0)
      .max(mostCounted - batchLimits.steps),
    steps: z
      .array(stepSchema(command))
      .min(1)
      .max(batchLimits.steps)
      .refine((steps) => new Set(steps.map(({ id }) => id)).size === steps.length, {
        message: 'two steps have the same id',
      }),
  });
}

/** A document at a revision, with what the asker can undo and redo. */
export function streamSchema<Document extends ZodType, Command extends ZodType>(
  document: Document,
  command: Command,
) {
  const changes = z.array(z.object({ id: stepId, command, inverse: command }));
  return z.object({
    document,
    revision: z.int(),
    /** The newest of what can be undone and redone, the next to go last. */
    undoable: changes,
    redoable: changes,
    /** Whether more can be undone than was handed out. */
    more: z.boolean(),
    /** Ids of the newest steps, so that one whose answer was lost is known to have arrived. */
    recent: z.array(stepId),
  });
}

export const appendedSchema = z.object({ revision: z.int() });
