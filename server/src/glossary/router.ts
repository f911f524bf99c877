import { termLimit, toldByServer, type Answer } from '@bogen/contract';
import { Router } from 'express';
import { brokenConstraint, type Db, type Tx } from '../db/connect.js';
import { readForeignFigure, storedFigure } from '../figure/foreign.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { courseFor } from '../course/access.js';

/** The terms that instructors add to the glossaries of their courses. */
export function glossaryRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'terms', async ({ params, session }) => {
    await courseFor(db, params.course, session.instructor.id, 'write');
    return { terms: await termsOf(db, params.course) };
  });

  route(router, db, 'addTerm', async ({ params, body, session }) => {
    const figure = body.figure === undefined ? null : readForeignFigure(body.figure);
    await courseFor(db, params.course, session.instructor.id, 'write');
    return unlessTaken(body.term, () =>
      db.transaction().execute(async (tx) => {
        // The course is the gate of its glossary.
        await tx.selectFrom('course').select('id').where('id', '=', params.course).forUpdate().execute();
        const { count } = await tx
          .selectFrom('term')
          .select(({ fn }) => fn.countAll<string>().as('count'))
          .where('course_id', '=', params.course)
          .executeTakeFirstOrThrow();
        if (Number(count) >= termLimit)
          throw new HttpProblem('refused', toldByServer('glossaryFull', { most: termLimit }));
        return tx
          .insertInto('term')
          .values({
            course_id: params.course,
            term: body.term,
            sentence: body.sentence,
            figure: figure && JSON.stringify(figure),
          })
          .returning('id')
          .executeTakeFirstOrThrow();
      }),
    );
  });

  route(router, db, 'changeTerm', async ({ params, body, session }) => {
    const figure = body.figure === undefined ? undefined : readForeignFigure(body.figure);
    await courseFor(db, params.course, session.instructor.id, 'write');
    const changed = await unlessTaken(body.term, () =>
      db
        .updateTable('term')
        .set({
          term: body.term,
          sentence: body.sentence,
          ...(figure ? { figure: JSON.stringify(figure) } : {}),
        })
        .where('id', '=', params.term)
        .where('course_id', '=', params.course)
        .returning('id')
        .executeTakeFirst(),
    );
    if (!changed) throw new HttpProblem('not-found', toldByServer('termNotThere'));
    return {};
  });

  route(router, db, 'removeTerm', async ({ params, session }) => {
    await courseFor(db, params.course, session.instructor.id, 'write');
    await db
      .deleteFrom('term')
      .where('id', '=', params.term)
      .where('course_id', '=', params.course)
      .execute();
    return {};
  });

  return router;
}

/** The terms of a course's own, by the alphabet. */
export async function termsOf(db: Db | Tx, course: string): Promise<Answer<'terms'>['terms']> {
  const rows = await db
    .selectFrom('term')
    .select(['id', 'term', 'sentence', 'figure'])
    .where('course_id', '=', course)
    .orderBy('term')
    .execute();
  return rows.map(({ figure, ...row }) => ({
    ...row,
    figure: figure === null ? null : storedFigure(figure),
  }));
}

/** @throws HttpProblem where the course has the term already */
async function unlessTaken<T>(term: string, does: () => Promise<T>): Promise<T> {
  try {
    return await does();
  } catch (error) {
    if (brokenConstraint(error)) throw new HttpProblem('refused', toldByServer('termTaken', { term }));
    throw error;
  }
}
