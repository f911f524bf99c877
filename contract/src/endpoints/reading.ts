import { z } from 'zod';
import { mostCounted } from '../limits.js';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { figureCommandSchema, figureSchema } from '../figure.js';
import { answerSchema, notationSchema, sheetSchema } from '../lesson.js';
import { appendSchema, appendedSchema, streamSchema } from '../stream.js';
import { id, nothing, partId, progress, term } from './parts.js';

const conditionResults = z.array(
  z.object({
    met: z.boolean(),
    measured: z.number().nullable(),
    /** By how much it is too large, or where below zero too small. */
    off: z.number().optional(),
    /** From where it is to where it is to go. */
    toward: z.array(z.number()).optional(),
    tooMuch: z.literal(true).optional(),
  }),
);
const sheetProgress = z.object({
  sheet: z.string(),
  title: z.string(),
  progress,
  /** The stages whose figure may be another than the published one. */
  moved: z.array(z.string()),
  /** The tasks that were met. */
  passed: z.array(z.string()),
  /** What was answered last to each task that is answered in words or numbers. */
  answers: z.record(z.string(), answerSchema),
});
const work = streamSchema(figureSchema, figureCommandSchema).extend({
  id,
  sheet: z.string(),
  stage: z.string(),
});

const readLessonAnswer = z.object({
  lesson: id,
  title: z.string(),
  courseTitle: z.string(),
  edition: z.object({ id, number: z.int() }),
  newestEdition: z.int(),
  /** Terms of the course's own. */
  terms: z.array(term),
  notation: notationSchema.optional(),
  sheets: z.array(sheetSchema),
  progress: z.array(
    sheetProgress.extend({
      /** An earlier edition with work on this sheet that was not taken along, since the sheet changed. */
      earlier: z.int().nullable(),
      /** By the task: what was come to where a number counts, the lower the better, of who has met it. */
      best: z.record(z.string(), z.object({ own: z.number(), ofClass: z.number(), students: z.int() })),
    }),
  ),
});

/** Reading a lesson, and the work on it. */
export const readingEndpoints = {
  classHome: defineEndpoint({
    ...paths.classHome,
    access: 'student',
    summary: 'The lessons of the student’s class with their progress.',
    answer: z.object({
      className: z.string(),
      courseTitle: z.string(),
      lessons: z.array(
        z.object({
          id,
          title: z.string(),
          edition: z.int(),
          firstFigure: figureSchema,
          /** Other editions on which the student has worked. */
          otherEditions: z.array(z.int()),
          sheets: z.array(sheetProgress),
        }),
      ),
    }),
  }),
  readLesson: defineEndpoint({
    ...paths.readLesson,
    access: 'student',
    summary: 'An edition of a lesson to read: the one begun, or the newest.',
    params: z.strictObject({ lesson: id }),
    query: z.strictObject({ edition: z.coerce.number().int().min(1).max(mostCounted).optional() }),
    answer: readLessonAnswer,
  }),
  embedded: defineEndpoint({
    ...paths.embedded,
    access: 'anyone',
    summary: 'A sheet that may be shown within other pages, with all that its reader needs.',
    params: z.strictObject({ embedding: id }),
    answer: z.object({
      reading: readLessonAnswer.omit({ progress: true }),
      /** The pictures of its figures by their ids, as addresses that hold them. */
      pictures: z.record(z.string(), z.string()),
    }),
  }),
  openWork: defineEndpoint({
    ...paths.openWork,
    access: 'student',
    summary: 'The student’s work on a stage of a sheet, begun if there is none.',
    params: z.strictObject({ edition: id, sheet: partId, stage: partId }),
    body: nothing,
    answer: work,
  }),
  appendToWork: defineEndpoint({
    ...paths.appendToWork,
    access: 'student',
    summary: 'Saves what the stage allows its readers to do.',
    params: z.strictObject({ work: id }),
    body: appendSchema(figureCommandSchema),
    answer: appendedSchema,
  }),
  checkTask: defineEndpoint({
    ...paths.checkTask,
    access: 'student',
    summary: 'Judges a task by calculation, on the saved work of its stage and what is answered.',
    params: z.strictObject({ edition: id, sheet: partId, task: partId }),
    body: z.strictObject({ answer: answerSchema.optional() }),
    answer: z.object({ results: conditionResults, passed: z.boolean(), revision: z.int() }),
  }),
} as const;
