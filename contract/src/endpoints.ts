import { z } from 'zod';
import { defineEndpoint } from './endpoint.js';
import { figureCommandSchema, figureSchema } from './figure.js';
import { answerSchema, lessonCommandSchema, lessonSchema, notationSchema, sheetSchema } from './lesson.js';
import { lessonFileSchema } from './lessonFile.js';
import { bodyLimits } from './limits.js';
import { paths } from './paths.js';
import { appendedSchema, appendSchema, streamSchema } from './stream.js';

const id = z.uuid();
const nothing = z.object({});
const title = z.string().trim().min(1).max(200);

/** A term of a course's own, as it is given and as it is read. */
const termGiven = {
  term: z.string().trim().min(1).max(80),
  sentence: z.string().trim().min(1).max(600),
};
const term = z.object({ id, ...termGiven, figure: figureSchema.nullable() });

/** What is told of a figure on a bench. */
const onBench = { id, name: z.string(), revision: z.int(), changedAt: z.string() };

/** What can be done with anything on the shelf. */
const onShelf = {
  archived: z.boolean().optional(),
  deleted: z.boolean().optional(),
  /** Its place in its row, from 0. */
  at: z.int().min(0).max(10_000).optional(),
};

const instructor = z.object({ id, name: z.string(), email: z.string() });
const student = z.object({ id, name: z.string(), classId: id, className: z.string(), classCode: z.string() });

const session = z.discriminatedUnion('who', [
  z.object({ who: z.literal('nobody') }),
  z.object({ who: z.literal('instructor'), instructor }),
  z.object({ who: z.literal('student'), student }),
]);

/** How far a student is with a sheet. A sheet without a task is done when it has been opened. */
export const progress = z.enum(['unopened', 'opened', 'begun', 'tried', 'done']);

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

const partId = z.string().min(1).max(64);

export const endpoints = {
  health: defineEndpoint({
    ...paths.health,
    access: 'anyone',
    summary: 'The server process runs.',
    answer: z.object({ status: z.literal('up') }),
  }),
  ready: defineEndpoint({
    ...paths.ready,
    access: 'anyone',
    summary: 'The server can answer: its database is there.',
    answer: z.object({ status: z.literal('ready') }),
  }),

  session: defineEndpoint({
    ...paths.session,
    access: 'anyone',
    summary: 'Who is signed in.',
    answer: session,
  }),
  signIn: defineEndpoint({
    ...paths.signIn,
    access: 'anyone',
    summary: 'Signs an instructor in.',
    body: z.strictObject({ email: z.string().max(200), password: z.string().max(200) }),
    answer: session,
  }),
  signOut: defineEndpoint({
    ...paths.signOut,
    access: 'anyone',
    summary: 'Ends the session.',
    body: nothing,
    answer: nothing,
  }),
  join: defineEndpoint({
    ...paths.join,
    access: 'anyone',
    summary: 'Makes a student of a class and signs them in.',
    body: z.strictObject({ code: z.string().max(40), name: z.string().trim().min(1).max(60) }),
    answer: z.object({ student, returnKey: z.string() }),
  }),
  comeBack: defineEndpoint({
    ...paths.comeBack,
    access: 'anyone',
    summary: 'Signs a student in again with their return key.',
    body: z.strictObject({ code: z.string().max(40), returnKey: z.string().max(40) }),
    answer: z.object({ student }),
  }),
  newReturnKey: defineEndpoint({
    ...paths.newReturnKey,
    access: 'student',
    summary: 'Makes a new return key; the old one ends.',
    body: nothing,
    answer: z.object({ returnKey: z.string() }),
  }),

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
          classes: z.array(z.object({ id, name: z.string(), code: z.string(), students: z.int() })),
        }),
      ),
      /** What was deleted and can still be brought back. */
      deleted: z.array(
        z.object({ kind: z.enum(['course', 'lesson']), id, title: z.string(), until: z.string() }),
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
  createClass: defineEndpoint({
    ...paths.createClass,
    access: 'instructor',
    summary: 'Makes a class with a code of its own.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ name: title }),
    answer: z.object({ id, code: z.string() }),
  }),

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
    params: z.strictObject({ lesson: id, revision: z.coerce.number().int().min(0) }),
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
    body: z.strictObject({ revision: z.int().min(0) }),
    answer: z.object({ number: z.int(), revision: z.int() }),
  }),

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
    query: z.strictObject({ edition: z.coerce.number().int().min(1).optional() }),
    answer: z.object({
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
        }),
      ),
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

  terms: defineEndpoint({
    ...paths.terms,
    access: 'instructor',
    summary: 'The terms that a course has besides those that every course has.',
    params: z.strictObject({ course: id }),
    answer: z.object({ terms: z.array(term) }),
  }),
  addTerm: defineEndpoint({
    ...paths.addTerm,
    access: 'instructor',
    summary: 'Adds a term to the glossary of a course.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ ...termGiven, figure: z.unknown().optional() }),
    answer: z.object({ id }),
  }),
  changeTerm: defineEndpoint({
    ...paths.changeTerm,
    access: 'instructor',
    summary: 'Changes a term of a course; without a figure it keeps the one that it has.',
    params: z.strictObject({ course: id, term: id }),
    body: z.strictObject({ ...termGiven, figure: z.unknown().optional() }),
    answer: nothing,
  }),
  removeTerm: defineEndpoint({
    ...paths.removeTerm,
    access: 'instructor',
    summary: 'Takes a term out of the glossary of a course.',
    params: z.strictObject({ course: id, term: id }),
    body: nothing,
    answer: nothing,
  }),

  bench: defineEndpoint({
    ...paths.bench,
    access: 'signedIn',
    summary: 'The figures on one’s bench, the one that was changed last first.',
    answer: z.object({ figures: z.array(z.object({ ...onBench, figure: figureSchema })) }),
  }),
  addToBench: defineEndpoint({
    ...paths.addToBench,
    access: 'signedIn',
    summary: 'Puts a figure on one’s bench.',
    body: z.strictObject({ name: title, figure: z.unknown() }),
    answer: z.object(onBench),
  }),
  benchFigure: defineEndpoint({
    ...paths.benchFigure,
    access: 'signedIn',
    summary: 'A figure of one’s bench.',
    params: z.strictObject({ figure: id }),
    answer: z.object({ ...onBench, figure: figureSchema }),
  }),
  changeBenchFigure: defineEndpoint({
    ...paths.changeBenchFigure,
    access: 'signedIn',
    summary: 'Names a figure of one’s bench, takes it away or brings it back, or keeps another state of it.',
    params: z.strictObject({ figure: id }),
    body: z.strictObject({
      name: title.optional(),
      deleted: z.boolean().optional(),
      figure: z.unknown().optional(),
      /** With a figure: the revision that it was made from. Where there is a newer one, it is refused as stale. */
      base: z.int().min(0).optional(),
    }),
    answer: z.object(onBench),
  }),

  addPicture: defineEndpoint({
    ...paths.addPicture,
    access: 'instructor',
    summary:
      'Keeps a PNG, JPEG or SVG picture to draw over, checked and cleaned; it is fetched at /pictures/{id}.',
    body: z.strictObject({
      /** The file, in base 64. */
      data: z.string().min(1).max(11_000_000),
    }),
    bodyLimit: bodyLimits.picture,
    answer: z.object({
      id,
      mediaType: z.enum(['image/png', 'image/jpeg', 'image/svg+xml']),
      width: z.int(),
      height: z.int(),
    }),
  }),
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
  ? z.input<B>
  : undefined;
export type Progress = z.infer<typeof progress>;
