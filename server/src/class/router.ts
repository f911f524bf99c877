import { toldByServer } from '@bogen/contract';
import { migrateFigure, type FigureDocument } from '@bogen/core/figure';
import { migrateLesson, progressOf, type LessonDocument } from '@bogen/core/lesson';
import { Router } from 'express';
import { sql } from 'kysely';
import type { Db } from '../db/connect.js';
import { termsOf } from '../glossary/router.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import type { Outline } from '../lesson/outline.js';
import type { Pool } from '../pool/pool.js';
import { forReaders, sheetsOf } from '../work/ownSheets.js';
import { takeWorkAlong } from '../work/takeAlong.js';
import { bestOf } from './best.js';
import {
  answersOf,
  editionsOfClass,
  factsOf,
  knownOf,
  ofEdition,
  type EditionOfClass,
  type Known,
} from './known.js';

/** What the students of a class read. */
export function classRouter(db: Db, pool: Pool): Router {
  const router = Router();

  route(router, db, 'classHome', async ({ session }) => {
    const { student } = session;
    const { courseTitle, editions } = await editionsOfClass(db, student.classId);
    const known = await knownOf(db, { students: [student.id] });
    const begun = new Set(known.work.map(({ editionId }) => editionId));
    const lessons = [...new Set(editions.map(({ lesson }) => lesson))].map((lesson) =>
      chooseEdition(
        editions.filter((edition) => edition.lesson === lesson),
        begun,
      ),
    );
    const figures = await firstFigures(
      db,
      lessons.map(({ id }) => id),
    );
    return {
      className: student.className,
      courseTitle,
      lessons: lessons.map(({ id, lesson, number, outline }) => ({
        id: lesson,
        title: outline.title,
        edition: number,
        otherEditions: editions
          .filter((other) => other.lesson === lesson && other.id !== id && begun.has(other.id))
          .map((other) => other.number),
        firstFigure: figures.get(id)!,
        sheets: progressOfSheets(outline, ofEdition(known, id)),
      })),
    };
  });

  route(router, db, 'readLesson', async ({ params, query, session }) => {
    const { student } = session;
    const { courseId, courseTitle, editions } = await editionsOfClass(db, student.classId, params.lesson);
    if (editions.length === 0) {
      throw new HttpProblem('not-found', toldByServer('lessonNotInClass'));
    }
    let known = await knownOf(db, { students: [student.id] });
    const begun = new Set(known.work.map(({ editionId }) => editionId));
    const chosen = query.edition
      ? editions.find(({ number }) => number === query.edition)
      : chooseEdition(editions, begun);
    if (!chosen) throw new HttpProblem('not-found', toldByServer('noEdition', { edition: query.edition! }));
    const document = await editionDocument(db, chosen.id);
    const earlier = editions.find(({ id, number }) => number < chosen.number && begun.has(id));
    if (earlier && !begun.has(chosen.id)) {
      await takeWorkAlong(db, student.id, earlier.id, { id: chosen.id, document });
      known = await knownOf(db, { students: [student.id] });
    }
    const best = await bestOf(db, {
      edition: chosen.id,
      classId: student.classId,
      student: student.id,
    });
    return {
      lesson: params.lesson,
      title: document.title,
      courseTitle,
      edition: { id: chosen.id, number: chosen.number },
      newestEdition: editions[0]!.number,
      terms: await termsOf(db, courseId),
      ...(document.notation && { notation: document.notation }),
      sheets: (
        await sheetsOf(db, pool.of(student.id), document.sheets, { student: student.id, edition: chosen.id })
      ).map(forReaders),
      progress: progressOfSheets(chosen.outline, ofEdition(known, chosen.id)).map((sheet) => ({
        ...sheet,
        best: Object.fromEntries(best.get(sheet.sheet) ?? []),
        earlier: leftBehind(
          sheet.sheet,
          chosen,
          editions.filter(({ number }) => number < chosen.number),
          known,
        ),
      })),
    };
  });

  return router;
}

/** The newest edition that the student has begun, or else the newest. `editions` has the newest first. */
function chooseEdition(editions: readonly EditionOfClass[], begun: ReadonlySet<string>): EditionOfClass {
  return editions.find(({ id }) => begun.has(id)) ?? editions[0]!;
}

/** The newest earlier edition with work on a sheet that was not taken along, since its stage changed. */
function leftBehind(
  sheet: string,
  chosen: EditionOfClass,
  earlier: readonly EditionOfClass[],
  { work }: Known,
): number | null {
  const here = work.filter((row) => row.editionId === chosen.id && row.sheet === sheet);
  const left = earlier.find(({ id }) =>
    work.some(
      (row) =>
        row.editionId === id &&
        row.sheet === sheet &&
        row.revision > 0 &&
        !here.some(({ stage, isTakenAlong }) => stage === row.stage && isTakenAlong),
    ),
  );
  return left?.number ?? null;
}

function progressOfSheets({ sheets }: Outline, known: Known) {
  return sheets.map(({ id, title, tasks }) => {
    const facts = factsOf(id, known);
    return {
      sheet: id,
      title,
      progress: progressOf(tasks, facts),
      moved: known.work
        .filter(({ sheet, revision }) => sheet === id && revision > 0)
        .map(({ stage }) => stage),
      passed: [...facts.passed],
      answers: answersOf(id, known),
    };
  });
}

async function editionDocument(db: Db, id: string): Promise<LessonDocument> {
  const { document } = await db
    .selectFrom('edition')
    .select('document')
    .where('id', '=', id)
    .executeTakeFirstOrThrow();
  return migrateLesson(document);
}

/** The figures of the first sheets of editions, taken out by the database. */
async function firstFigures(db: Db, ids: readonly string[]): Promise<ReadonlyMap<string, FigureDocument>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .selectFrom('edition')
    .select(['id', sql<unknown>`document -> 'sheets' -> 0 -> 'figure'`.as('figure')])
    .where('id', 'in', ids)
    .execute();
  return new Map(rows.map(({ id, figure }) => [id, migrateFigure(figure) as unknown as FigureDocument]));
}
