import { lessonVersion } from '@bogen/core/lesson';
import { z } from 'zod';
import { lessonSchema } from './lesson.js';
import { lessonFileLimits } from './limits.js';

/** The version of the file around the lesson, which has one of its own. */
export const lessonFileVersion = 1;

const pictureInFile = z.strictObject({
  mediaType: z.enum(['image/png', 'image/jpeg', 'image/svg+xml']),
  /** The picture itself, in base 64. */
  data: z.string().min(1).max(11_000_000),
});

const shell = {
  format: z.literal('bogen-lesson').meta({ description: 'Says that this is a lesson of Bogen.' }),
  version: z.literal(lessonFileVersion).meta({ description: 'The version of this file format.' }),
  pictures: z.record(z.uuid(), pictureInFile).meta({
    description: `The pictures that figures of the lesson name, by their ids; at most ${lessonFileLimits.pictures}.`,
  }),
};

/** A lesson with its pictures, as one file. */
export const lessonFileSchema = z
  .strictObject({ ...shell, lesson: lessonSchema })
  .meta({ title: 'A lesson of Bogen', description: `Lessons are of version ${lessonVersion}.` });
export type LessonFile = z.infer<typeof lessonFileSchema>;

/** The file without what is in its lesson, which may be of an earlier version and is brought to this one first. */
export const lessonFileShell = z.strictObject({
  ...shell,
  // The address of the schema, for editors of such files.
  $schema: z.string().max(200).optional(),
  lesson: z.unknown(),
});
