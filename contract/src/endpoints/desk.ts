import { z } from 'zod';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { figureSchema } from '../figure.js';
import { answerSchema, notationSchema, sheetSchema } from '../lesson.js';
import { bodyLimits } from '../limits.js';
import { toldSchema } from '../problem.js';
import { id, progress } from './parts.js';

/** What a class has done. */
export const deskEndpoints = {
  desk: defineEndpoint({
    ...paths.desk,
    access: 'instructor',
    summary: 'Who of a class has done which sheet.',
    params: z.strictObject({ class: id }),
    query: z.strictObject({
      /** The lesson to show; else the first. */
      lesson: id.optional(),
      /** A part of a name. */
      find: z.string().trim().max(60).optional(),
      page: z.coerce.number().int().min(0).max(1000).default(0),
    }),
    answer: z.object({
      className: z.string(),
      code: z.string(),
      courseTitle: z.string(),
      /** Whether the class is the asker's own, to run; a co-instructor sees it. */
      isOwn: z.boolean(),
      closedAt: z.string().nullable(),
      archived: z.boolean(),
      daysKept: z.int().nullable(),
      /** Other classes of the instructor that a student can be moved to. */
      otherClasses: z.array(z.object({ id, name: z.string(), courseTitle: z.string() })),
      /** Who was removed and can still be brought back. */
      removed: z.array(z.object({ id, name: z.string(), until: z.string() })),
      /** The lessons that there are to choose from. */
      lessons: z.array(z.object({ id, title: z.string() })),
      lesson: z
        .object({
          id,
          title: z.string(),
          edition: z.int(),
          sheets: z.array(
            z.object({
              id: z.string(),
              title: z.string(),
              /** How many of the whole class are done with it. */
              done: z.int(),
            }),
          ),
        })
        .nullable(),
      /** Students of the class, of them those who have not come yet, and those whose names were looked for. */
      count: z.int(),
      notJoined: z.int(),
      found: z.int(),
      page: z.int(),
      pageSize: z.int(),
      students: z.array(
        z.object({
          id,
          name: z.string(),
          lastSeen: z.string().nullable(),
          /** Whether they have come in yet; who was only put on the list has not. */
          hasJoined: z.boolean(),
          /** What is known of each sheet of the lesson; its id is that of the work that was changed last. */
          work: z.array(z.object({ id, sheet: z.string(), edition: z.int(), progress, attempts: z.int() })),
        }),
      ),
    }),
  }),
  classStudents: defineEndpoint({
    ...paths.classStudents,
    access: 'instructor',
    summary: 'The names of all students of a class.',
    params: z.strictObject({ class: id }),
    answer: z.object({ students: z.array(z.object({ id, name: z.string(), hasJoined: z.boolean() })) }),
  }),
  takeInWork: defineEndpoint({
    ...paths.takeInWork,
    access: 'instructor',
    summary:
      'Takes in what a student did in a lesson that stands alone: every step is done again, and every task checked.',
    params: z.strictObject({ class: id }),
    body: z.strictObject({ student: id, file: z.unknown() }),
    bodyLimit: bodyLimits.workFile,
    answer: z.object({
      lesson: z.string(),
      /** Stages whose work was taken in, and tasks that were checked; of these, those that are met. */
      works: z.int(),
      tasks: z.int(),
      passed: z.int(),
      /** What was left, and why. */
      left: z.array(z.object({ sheet: z.string(), told: toldSchema })),
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
