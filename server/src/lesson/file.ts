import {
  lessonFileLimits,
  lessonFileShell,
  lessonFileVersion,
  toldByServer,
  type LessonFile,
} from '@bogen/contract';
import { CommandError, type LessonDocument } from '@bogen/core/lesson';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { firstIssue } from '../http/route.js';
import { keepPicture, type Drawn } from '../picture/keep.js';
import type { Runner } from '../pool/pool.js';
import { readForeignLesson } from './document.js';

/** Where a document names a picture; ids are plain signs, so that this can be found in its text. */
const pictureNames = /"picture":"([0-9a-fA-F-]{36})"/g;

/** The ids of the pictures that a lesson shows, at whatever stage. */
const picturesOf = (lesson: LessonDocument): readonly string[] => [
  ...new Set([...JSON.stringify(lesson).matchAll(pictureNames)].map(([, id]) => id!)),
];

/**
 * A lesson with its pictures, as one file.
 * @throws HttpProblem where its pictures are too many or too large for one
 */
export async function lessonFileOf(db: Db, lesson: LessonDocument): Promise<LessonFile> {
  const ids = picturesOf(lesson);
  if (ids.length > lessonFileLimits.pictures) {
    const told = toldByServer('lessonFileTooManyPictures', {
      count: ids.length,
      most: lessonFileLimits.pictures,
    });
    throw new HttpProblem('refused', told);
  }
  const sizes = ids.length
    ? await db
        .selectFrom('picture')
        .select(({ fn }) => fn.sum<string | null>(fn<number>('octet_length', ['bytes'])).as('bytes'))
        .where('id', 'in', ids)
        .executeTakeFirstOrThrow()
    : { bytes: '0' };
  if (Number(sizes.bytes ?? 0) > lessonFileLimits.pictureBytes)
    throw new HttpProblem('refused', toldByServer('lessonFilePicturesTooLarge'));
  const rows = ids.length
    ? await db.selectFrom('picture').select(['id', 'media_type', 'bytes']).where('id', 'in', ids).execute()
    : [];
  return {
    format: 'bogen-lesson',
    version: lessonFileVersion,
    lesson: lesson as LessonFile['lesson'],
    pictures: Object.fromEntries(
      rows.map(({ id, media_type, bytes }) => [
        id,
        { mediaType: media_type, data: bytes.toString('base64') },
      ]),
    ),
  };
}

/**
 * The lesson of a file, with its pictures kept as the instructor's own. Everything is checked before anything is kept.
 * @throws HttpProblem that says what is wrong, and where
 */
export async function readLessonFile(
  db: Db,
  pool: Runner,
  owner: string,
  file: unknown,
  drawn: Drawn = 'now',
): Promise<LessonDocument> {
  const parsed = lessonFileShell.safeParse(file);
  if (!parsed.success)
    throw new HttpProblem('refused', toldByServer('notALessonFile', { issue: firstIssue(parsed.error) }));
  const { pictures } = parsed.data;
  const entries = Object.entries(pictures);
  if (entries.length > lessonFileLimits.pictures) {
    const told = toldByServer('lessonFileTooManyPictures', {
      count: entries.length,
      most: lessonFileLimits.pictures,
    });
    throw new HttpProblem('refused', told);
  }
  const lesson = lessonIn(parsed.data.lesson);
  for (const picture of picturesOf(lesson)) {
    if (!Object.hasOwn(pictures, picture))
      throw new HttpProblem('refused', toldByServer('lessonFileNoPicture', { picture }));
  }
  const kept = new Map<string, string>();
  for (const [index, [id, { data }]] of entries.entries()) {
    try {
      kept.set(id, (await keepPicture(db, pool, owner, Buffer.from(data, 'base64'), drawn)).id);
    } catch (error) {
      if (!(error instanceof HttpProblem)) throw error;
      const told = toldByServer('lessonFilePicture', {
        number: index + 1,
        why: error.problem.told ?? error.message,
      });
      throw new HttpProblem('refused', told);
    }
  }
  if (kept.size === 0) return lesson;
  const text = JSON.stringify(lesson).replace(
    pictureNames,
    (_, id: string) => `"picture":"${kept.get(id) ?? id}"`,
  );
  return JSON.parse(text) as LessonDocument;
}

function lessonIn(foreign: unknown): LessonDocument {
  try {
    return readForeignLesson(foreign);
  } catch (error) {
    if (error instanceof CommandError)
      throw new HttpProblem('refused', toldByServer('lessonFileBroken', { why: error.told }));
    // What is of another shape than anything that was ever stored can't be brought to this version.
    if (error instanceof TypeError)
      throw new HttpProblem(
        'refused',
        toldByServer('notALessonFile', { issue: 'it has another shape at lesson' }),
      );
    throw error;
  }
}
