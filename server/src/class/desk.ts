import { daysKept, toldByServer, type Answer } from '@bogen/contract';
import { migrateLesson, progressOf, sheetOf } from '@bogen/core/lesson';
import { Router } from 'express';
import { sql } from 'kysely';
import { classFor } from '../course/access.js';
import type { Db } from '../db/connect.js';
import { keptSince } from '../forget/purge.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { SharedGate } from '../pool/gate.js';
import type { Pool } from '../pool/pool.js';
import { readDocument } from '../stream/stream.js';
import { sheetOfStudent } from '../work/ownSheets.js';
import { startOf, workStream } from '../work/streams.js';
import { takeInWork } from '../work/takeIn.js';
import {
  answersOf,
  editionsOfClass,
  factsOf,
  knownOf,
  ofEdition,
  ofStudent,
  type EditionOfClass,
} from './known.js';

/** How many students are on a page of the desk. */
const pageSize = 50;

/** What an instructor sees of a class. */
export function deskRouter(db: Db, pool: Pool): Router {
  const router = Router();
  const takingIn = new SharedGate(1, 3);

  route(router, db, 'desk', async ({ params, query, session }) => {
    const found = await classFor(db, params.class, session.instructor.id, 'write');
    const { courseTitle, editions } = await editionsOfClass(db, found.id);
    const newest = [...new Set(editions.map(({ lesson }) => lesson))].map((lesson) =>
      editions.find((edition) => edition.lesson === lesson)!,
    );
    const chosen = newest.find(({ lesson }) => lesson === query.lesson) ?? newest[0];
    const ofLesson = editions.filter(({ lesson }) => lesson === chosen?.lesson);
    const named = query.find ? `%${query.find.replace(/[\\%_]/g, '\\$&')}%` : '%';
    const counts = await db
      .selectFrom('student')
      .where('class_id', '=', found.id)
      .where('removed_at', 'is', null)
      .select([
        sql<number>`count(*)::integer`.as('count'),
        sql<number>`(count(*) filter (where joined_at is null))::integer`.as('notJoined'),
        sql<number>`(count(*) filter (where name ilike ${named}))::integer`.as('found'),
      ])
      .executeTakeFirstOrThrow();
    const students = await db
      .selectFrom('student')
      .select([
        'id',
        'name',
        'last_seen',
        'joined_at',
        sql<boolean>`exists (select from work where work.student_id = student.id)`.as('hasWork'),
      ])
      .where('class_id', '=', found.id)
      .where('removed_at', 'is', null)
      .where('name', 'ilike', named)
      .orderBy('name')
      .orderBy('id')
      .limit(pageSize)
      .offset(query.page * pageSize)
      .execute();
    const known = await knownOf(db, {
      students: students.map(({ id }) => id),
      editions: ofLesson.map(({ id }) => id),
    });
    const done = chosen ? await doneOf(db, found.id, ofLesson) : new Map<string, number>();
    return {
      className: found.name,
      code: found.code,
      courseTitle,
      isOwn: found.isOwn,
      closedAt: found.closedAt?.toISOString() ?? null,
      archived: found.isArchived,
      daysKept: found.daysKept,
      otherClasses: found.isOwn ? await otherClasses(db, session.instructor.id, found.id) : [],
      removed: found.isOwn ? await removedFrom(db, found.id) : [],
      lessons: newest.map(({ lesson, outline: { title } }) => ({ id: lesson, title })),
      lesson: chosen
        ? {
            id: chosen.lesson,
            title: chosen.outline.title,
            edition: chosen.number,
            sheets: chosen.outline.sheets.map(({ id, title }) => ({ id, title, done: done.get(id) ?? 0 })),
          }
        : null,
      ...counts,
      page: query.page,
      pageSize,
      students: students.map(({ id, name, last_seen, joined_at, hasWork }) => {
        const own = ofStudent(known, id);
        return {
          id,
          name,
          lastSeen: hasWork ? last_seen.toISOString() : null,
          hasJoined: joined_at !== null,
          work: workOn(ofLesson, own),
        };
      }),
    };
  });

  route(router, db, 'classStudents', async ({ params, session }) => {
    const found = await classFor(db, params.class, session.instructor.id, 'write');
    const students = await db
      .selectFrom('student')
      .where('class_id', '=', found.id)
      .where('removed_at', 'is', null)
      .select(['id', 'name', sql<boolean>`joined_at is not null`.as('hasJoined')])
      .orderBy('name')
      .execute();
    return { students };
  });

  route(router, db, 'takeInWork', async ({ params, body, session }) => {
    const found = await classFor(db, params.class, session.instructor.id, 'own');
    return takingIn.pass(session.instructor.id, () =>
      takeInWork(db, pool.of(session.instructor.id), { classId: found.id, ...body }),
    );
  });

  route(router, db, 'studentWork', async ({ params, session }) => {
    const found = await classFor(db, params.class, session.instructor.id, 'write');
    const row = await db
      .selectFrom('work')
      .innerJoin('student', 'student.id', 'work.student_id')
      .innerJoin('edition', 'edition.id', 'work.edition_id')
      .innerJoin('stream', 'stream.id', 'work.stream_id')
      .where('work.id', '=', params.work)
      .where('student.class_id', '=', found.id)
      .where('student.removed_at', 'is', null)
      .select([
        'student.name as student',
        'student.id as studentId',
        'work.edition_id as editionId',
        'work.sheet_id as sheet',
        'work.stage',
        'work.stream_id as streamId',
        'edition.number',
        'edition.document as lesson',
        'stream.changed_at as changedAt',
      ])
      .executeTakeFirst();
    const lesson = row && migrateLesson(row.lesson);
    const published = lesson && sheetOf(lesson, row.sheet);
    if (!published) throw new HttpProblem('not-found', toldByServer('workNotThere'));
    const sheet = await sheetOfStudent(db, pool.of(session.instructor.id), published, {
      student: row.studentId,
      edition: row.editionId,
    });
    const own = ofEdition(await knownOf(db, { students: [row.studentId] }), row.editionId);
    const facts = factsOf(sheet.id, own);
    const { document, revision } = await readDocument(db, row.streamId, workStream);
    return {
      student: row.student,
      className: found.name,
      lesson: lesson.title,
      edition: row.number,
      ...(lesson.notation && { notation: lesson.notation }),
      sheet,
      stage: row.stage,
      stages: sheet.stages.flatMap(({ id }) =>
        own.work
          .filter((work) => work.sheet === sheet.id && work.stage === id)
          .map((work) => ({ work: work.id, stage: id })),
      ),
      start: await startOf(db, row.streamId),
      document,
      revision,
      changedAt: revision > 0 ? row.changedAt.toISOString() : null,
      attempts: facts.attempts,
      answers: answersOf(sheet.id, own),
      progress: progressOf(
        sheet.tasks.map(({ id }) => id),
        facts,
      ),
    };
  });

  return router;
}

/** What one student did on the sheets of a lesson, its newest edition first; of several editions, the newest that was worked on. */
function workOn(
  editions: readonly EditionOfClass[],
  own: Parameters<typeof ofEdition>[0],
): Answer<'desk'>['students'][number]['work'] {
  const seen = new Set<string>();
  return editions.flatMap((edition) => {
    const { work, tasks } = ofEdition(own, edition.id);
    return edition.outline.sheets.flatMap((sheet) => {
      const newest = work
        .filter((row) => row.sheet === sheet.id)
        .toSorted((a, b) => Number(a.changedAt) - Number(b.changedAt))
        .at(-1);
      if (!newest || seen.has(sheet.id)) return [];
      seen.add(sheet.id);
      const facts = factsOf(sheet.id, { work, tasks });
      return [
        {
          id: newest.id,
          sheet: sheet.id,
          edition: edition.number,
          progress: progressOf(sheet.tasks, facts),
          attempts: facts.attempts,
        },
      ];
    });
  });
}

/** How many students of a class are done with each sheet of a lesson, in whichever edition. Counted without reading any work. */
async function doneOf(
  db: Db,
  group: string,
  editions: readonly EditionOfClass[],
): Promise<ReadonlyMap<string, number>> {
  const { rows } = await sql<{ edition: string; sheet: string; student: string; passed: number }>`
    select work.edition_id as edition, work.sheet_id as sheet, work.student_id as student,
      (select count(*)::integer from task_state where task_state.student_id = work.student_id
        and task_state.edition_id = work.edition_id and task_state.sheet_id = work.sheet_id
        and passed_at is not null) as passed
    from work join student on student.id = work.student_id
    where student.class_id = ${group} and student.removed_at is null
      and work.edition_id = any(${editions.map(({ id }) => id)}::uuid[])
    group by edition, sheet, student`.execute(db);
  const tasks = new Map(
    editions.flatMap(({ id, outline }) =>
      outline.sheets.map((sheet) => [`${id} ${sheet.id}`, sheet.tasks.length] as const),
    ),
  );
  const done = new Map<string, Set<string>>();
  for (const { edition, sheet, student, passed } of rows) {
    if (passed < (tasks.get(`${edition} ${sheet}`) ?? Infinity)) continue;
    const students = done.get(sheet) ?? new Set();
    done.set(sheet, students.add(student));
  }
  return new Map([...done].map(([sheet, students]) => [sheet, students.size]));
}

/** The other classes of an instructor's own, to which a student can be moved. */
async function otherClasses(
  db: Db,
  instructor: string,
  but: string,
): Promise<{ id: string; name: string; courseTitle: string }[]> {
  return db
    .selectFrom('class')
    .innerJoin('course', 'course.id', 'class.course_id')
    .where('course.instructor_id', '=', instructor)
    .where('course.deleted_at', 'is', null)
    .where('class.deleted_at', 'is', null)
    .where('class.id', '!=', but)
    .select(['class.id', 'class.name', 'course.title as courseTitle'])
    .orderBy('class.made_at', 'desc')
    .limit(100)
    .execute();
}

/** Who was removed from a class and can be brought back. */
async function removedFrom(db: Db, group: string): Promise<{ id: string; name: string; until: string }[]> {
  const kept = daysKept * 24 * 60 * 60 * 1000;
  const rows = await db
    .selectFrom('student')
    .where('class_id', '=', group)
    .where('removed_at', '>', keptSince())
    .select(['id', 'name', 'removed_at as removedAt'])
    .orderBy('removed_at', 'desc')
    .execute();
  return rows.map(({ removedAt, ...student }) => ({
    ...student,
    until: new Date(Number(removedAt) + kept).toISOString(),
  }));
}
