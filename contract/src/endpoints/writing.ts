import { z } from 'zod';
import { mostCounted } from '../limits.js';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { lessonCommandSchema, lessonSchema } from '../lesson.js';
import { appendSchema, appendedSchema, streamSchema } from '../stream.js';
import { id, partId } from './parts.js';

/** Writing a lesson. */
export const writingEndpoints = {
  draft: defineEndpoint({
    ...paths.draft,
    access: 'instructor',
    summary: 'The draft of a lesson.',
    params: z.strictObject({ lesson: id }),
    answer: streamSchema(lessonSchema, lessonCommandSchema).extend({
      id,
      course: z.object({ id, title: z.string() }),
      edition: z.object({ number: z.int(), revision: z.int() }).nullable(),
    }),
  }),
  appendToDraft: defineEndpoint({
    ...paths.appendToDraft,
    access: 'instructor',
    summary: 'Saves changes to a draft; a stale base is answered with the present draft.',
    params: z.strictObject({ lesson: id }),
    body: appendSchema(lessonCommandSchema),
    answer: appendedSchema,
  }),
  lessonHistory: defineEndpoint({
    ...paths.lessonHistory,
    access: 'instructor',
    summary: 'The editions of a lesson, and the days on which its draft was changed, the newest first.',
    params: z.strictObject({ lesson: id }),
    answer: z.object({
      editions: z.array(z.object({ number: z.int(), revision: z.int(), publishedAt: z.string() })),
      days: z.array(
        z.object({
          day: z.string(),
          /** The last revision of the day, and how many steps led to it. */
          revision: z.int(),
          steps: z.int(),
        }),
      ),
    }),
  }),
  lessonAt: defineEndpoint({
    ...paths.lessonAt,
    access: 'instructor',
    summary: 'A draft as it was at a revision.',
    params: z.strictObject({ lesson: id, revision: z.coerce.number().int().min(0).max(mostCounted) }),
    answer: z.object({ document: lessonSchema }),
  }),
  presence: defineEndpoint({
    ...paths.presence,
    access: 'instructor',
    summary: 'Says on which sheet of a draft a page is, and hears of the other pages that are open now.',
    params: z.strictObject({ lesson: id }),
    body: z.strictObject({ page: partId, sheet: partId, isGone: z.boolean().optional() }),
    answer: z.object({
      others: z.array(z.object({ page: z.string(), name: z.string(), sheet: z.string() })),
    }),
  }),
  publish: defineEndpoint({
    ...paths.publish,
    access: 'instructor',
    summary: 'Publishes the draft at a revision as the next edition.',
    params: z.strictObject({ lesson: id }),
    body: z.strictObject({ revision: z.int().min(0).max(mostCounted) }),
    answer: z.object({ number: z.int(), revision: z.int() }),
  }),
} as const;
