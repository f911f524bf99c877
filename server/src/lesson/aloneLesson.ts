import { toldByServer, type AloneLesson } from '@bogen/contract';
import { migrateLesson } from '@bogen/core/lesson';
import type { Db } from '../db/connect.js';
import { termsOf } from '../glossary/router.js';
import { HttpProblem } from '../http/problem.js';
import { withoutNotes } from '../work/ownSheets.js';
import { lessonFileOf } from './file.js';

/** The newest edition of a lesson, with all that its reader needs where no server is. What is different for each student the page draws itself. @param only the one sheet that is wanted, where it is not all */
export async function aloneLesson(
  db: Db,
  lesson: { readonly id: string; readonly courseId: string; readonly courseTitle: string },
  only?: string,
): Promise<AloneLesson> {
  const edition = await db
    .selectFrom('edition')
    .select(['id', 'number', 'document'])
    .where('lesson_id', '=', lesson.id)
    .orderBy('number', 'desc')
    .executeTakeFirst();
  if (!edition) throw new HttpProblem('refused', toldByServer('lessonNotPublished'));
  const whole = migrateLesson(edition.document);
  const document =
    only === undefined ? whole : { ...whole, sheets: whole.sheets.filter(({ id }) => id === only) };
  const { pictures } = await lessonFileOf(db, document);
  return {
    reading: {
      lesson: lesson.id,
      title: document.title,
      courseTitle: lesson.courseTitle,
      edition: { id: edition.id, number: edition.number },
      newestEdition: edition.number,
      terms: await termsOf(db, lesson.courseId),
      ...(document.notation && { notation: document.notation }),
      sheets: document.sheets.map(withoutNotes) as AloneLesson['reading']['sheets'],
    },
    pictures: Object.fromEntries(
      Object.entries(pictures).map(([id, { mediaType, data }]) => [id, `data:${mediaType};base64,${data}`]),
    ),
  };
}
