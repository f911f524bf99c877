import { z } from 'zod';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { figureSchema } from '../figure.js';
import { answerSchema, notationSchema, sheetSchema } from '../lesson.js';
import { id, progress } from './parts.js';

/** What a class has done. */
export const deskEndpoints = {
  desk: defineEndpoint({
    ...paths.desk,
    access: 'instructor',
    summary: 'Who of a class has done which sheet.',
    params: z.strictObject({ class: id }),
    answer: z.object({
      className: z.string(),
      code: z.string(),
      courseTitle: z.string(),
      lessons: z.array(
        z.object({
          id,
          title: z.string(),
          edition: z.int(),
          sheets: z.array(z.object({ id: z.string(), title: z.string(), tasks: z.array(z.string()) })),
        }),
      ),
      students: z.array(
        z.object({
          id,
          name: z.string(),
          lastSeen: z.string().nullable(),
          /** What is known of each sheet, by lesson; its id is that of the work that was changed last. */
          work: z.array(
            z.object({ id, lesson: id, sheet: z.string(), edition: z.int(), progress, attempts: z.int() }),
          ),
        }),
      ),
    }),
  }),
  studentWork: defineEndpoint({
    ...paths.studentWork,
    access: 'instructor',
    summary: 'A student’s sheet as the student left it.',
    params: z.strictObject({ class: id, work: id }),
    answer: z.object({
      student: z.string(),
      className: z.string(),
      lesson: z.string(),
      edition: z.int(),
      notation: notationSchema.optional(),
      sheet: sheetSchema,
      stage: z.string(),
      /** The figure as the stage gave it, and as the student left it. */
      start: figureSchema,
      document: figureSchema,
      /** Work of the same student on the stages of this sheet. */
      stages: z.array(z.object({ work: id, stage: z.string() })),
      revision: z.int(),
      changedAt: z.string().nullable(),
      attempts: z.int(),
      answers: z.record(z.string(), answerSchema),
      progress,
    }),
  }),
} as const;
