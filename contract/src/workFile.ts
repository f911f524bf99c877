import { z } from 'zod';
import { id, partId } from './endpoints/parts.js';
import { answerSchema } from './lesson.js';
import { mostCounted, workFileLimits } from './limits.js';
import { stepSchema } from './stream.js';

export const workFileVersion = 1;

/** What somebody did in a lesson that stands alone, as they hand it in. */
export const workFileSchema = z.strictObject({
  format: z.literal('bogen-work').meta({ description: 'Says that this is work on a lesson of Bogen.' }),
  version: z.literal(workFileVersion).meta({ description: 'The version of this file format.' }),
  lesson: id,
  edition: id,
  title: z.string().max(300).meta({ description: 'The title of the lesson.' }),
  name: z.string().max(80).meta({ description: 'Whose work it is, as they wrote it.' }),
  commandVersion: z
    .int()
    .min(1)
    .max(mostCounted)
    .meta({ description: 'The version of the commands in the steps.' }),
  drawnBy: id.optional().meta({
    description:
      'By whom that is drawn which is different for each student: who the file takes its reader for.',
  }),
  works: z
    .array(
      z.strictObject({
        sheet: partId,
        stage: partId,
        // Commands may be of an earlier version, and are brought to this one first.
        steps: z.array(stepSchema(z.unknown())).max(workFileLimits.steps),
      }),
    )
    .max(workFileLimits.works),
  tasks: z
    .array(z.strictObject({ sheet: partId, task: partId, answer: answerSchema.optional() }))
    .max(workFileLimits.works)
    .meta({ description: 'The tasks that were checked; how they came out is calculated anew.' }),
});
export type WorkFile = z.infer<typeof workFileSchema>;
