import { z } from 'zod';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { figureSchema } from '../figure.js';
import { lessonFileSchema } from '../lessonFile.js';
import { bodyLimits } from '../limits.js';
import { id, partId, nothing, title } from './parts.js';

/** What can be done with anything on the shelf. */
const onShelf = {
  archived: z.boolean().optional(),
  deleted: z.boolean().optional(),
  /** Its place in its row, from 0. */
  at: z.int().min(0).max(10_000).optional(),
};

/** Courses and lessons on the shelf. */
export const shelfEndpoints = {
  shelf: defineEndpoint({
    ...paths.shelf,
    access: 'instructor',
    summary: 'The courses, lessons and classes of the instructor.',
    answer: z.object({
      courses: z.array(
        z.object({
          id,
          title: z.string(),
          archived: z.boolean(),
          lessons: z.array(
            z.object({
              id,
              title: z.string(),
              archived: z.boolean(),
              sheetCount: z.int(),
              firstFigure: figureSchema,
              /** Together with the id it says which state the figure is of. */
              revision: z.int(),
              savedAt: z.string(),
              edition: z.int().nullable(),
              changedSinceEdition: z.boolean(),
            }),
          ),
          /** Whose course it is, where it is another instructor's who lets one write it. */
          owner: z.string().nullable(),
          classes: z.array(
            z.object({
              id,
              name: z.string(),
              code: z.string(),
              students: z.int(),
              closed: z.boolean(),
              archived: z.boolean(),
            }),
          ),
        }),
      ),
      /** What was deleted and can still be brought back. */
      deleted: z.array(
        z.object({ kind: z.enum(['course', 'lesson', 'class']), id, title: z.string(), until: z.string() }),
      ),
    }),
  }),
  changeCourse: defineEndpoint({
    ...paths.changeCourse,
    access: 'instructor',
    summary: 'Names a course, moves it in the row, puts it away or deletes it, and takes that back.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ title: title.optional(), ...onShelf }),
    answer: nothing,
  }),
  copyCourse: defineEndpoint({
    ...paths.copyCourse,
    access: 'instructor',
    summary: 'Makes a course of copies of the lessons of another, as they are in their drafts.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ title }),
    answer: z.object({ id }),
  }),
  changeLesson: defineEndpoint({
    ...paths.changeLesson,
    access: 'instructor',
    summary:
      'Names a lesson, moves it, also to another course, puts it away or deletes it, and takes that back.',
    params: z.strictObject({ lesson: id }),
    body: z.strictObject({ title: title.optional(), course: id.optional(), ...onShelf }),
    answer: nothing,
  }),
  copyLesson: defineEndpoint({
    ...paths.copyLesson,
    access: 'instructor',
    summary: 'Makes a lesson of the draft of another, in the same course.',
    params: z.strictObject({ lesson: id }),
    body: z.strictObject({ title }),
    answer: z.object({ id }),
  }),
  findInLessons: defineEndpoint({
    ...paths.findInLessons,
    access: 'instructor',
    summary: 'Finds words in the titles and texts of the instructor’s lessons.',
    query: z.strictObject({ text: z.string().trim().min(1).max(100) }),
    answer: z.object({
      found: z.array(
        z.object({
          lesson: id,
          lessonTitle: z.string(),
          courseTitle: z.string(),
          sheet: z.string(),
          sheetTitle: z.string(),
          /** The words with what stands around them; empty where they are in a title. */
          excerpt: z.string(),
        }),
      ),
      /** Whether there is more than this. */
      isMore: z.boolean(),
    }),
  }),
  lessonFile: defineEndpoint({
    ...paths.lessonFile,
    access: 'instructor',
    summary: 'The draft of a lesson with its pictures, as one file.',
    params: z.strictObject({ lesson: id }),
    answer: lessonFileSchema,
  }),
  embeddings: defineEndpoint({
    ...paths.embeddings,
    access: 'instructor',
    summary: 'The published sheets of a lesson, and which of them may be shown within other pages.',
    params: z.strictObject({ lesson: id }),
    answer: z.object({
      sheets: z.array(z.object({ id: z.string(), title: z.string(), embedding: id.nullable() })),
    }),
  }),
  setEmbedding: defineEndpoint({
    ...paths.setEmbedding,
    access: 'instructor',
    summary:
      'Opens a published sheet for showing it within other pages, or closes it; its address is a new one each time.',
    params: z.strictObject({ lesson: id, sheet: partId }),
    body: z.strictObject({ open: z.boolean() }),
    answer: z.object({ embedding: id.nullable() }),
  }),
  lessonPage: defineEndpoint({
    ...paths.lessonPage,
    access: 'instructor',
    summary: 'The newest edition of a lesson as one HTML file that needs no server.',
    params: z.strictObject({ lesson: id }),
    answer: z.object({ title: z.string(), html: z.string() }),
  }),
  addLessonFile: defineEndpoint({
    ...paths.addLessonFile,
    access: 'instructor',
    summary:
      'Makes a lesson of a file. What is wrong with it is told with its place, and nothing is changed.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ file: z.unknown() }),
    bodyLimit: bodyLimits.lessonFile,
    answer: z.object({ id, title: z.string() }),
  }),
  createCourse: defineEndpoint({
    ...paths.createCourse,
    access: 'instructor',
    summary: 'Makes a course.',
    body: z.strictObject({ title }),
    answer: z.object({ id }),
  }),
  createLesson: defineEndpoint({
    ...paths.createLesson,
    access: 'instructor',
    summary: 'Makes a lesson, of a whole document.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ document: z.unknown() }),
    bodyLimit: bodyLimits.lesson,
    answer: z.object({ id }),
  }),
} as const;
