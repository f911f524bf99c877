import { toldByServer } from '@bogen/contract';
import { Router } from 'express';
import { record } from '../audit/record.js';
import { instructorData } from '../data/instructorData.js';
import { studentData } from '../data/studentData.js';
import type { Db } from '../db/connect.js';
import { eraseInstructor, eraseStudent } from '../forget/erase.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { streamedJson } from '../http/streamedJson.js';
import { holdPeople, refuseLast } from './people.js';

/** What is kept of a person, given to them or erased at their wish. */
export function dataRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'ownData', async ({ session }) => {
    await record(
      db,
      session,
      'dataExported',
      session.who === 'student' ? session.student : session.instructor,
    );
    return streamedJson(
      session.who === 'student'
        ? await studentData(db, session.student.id)
        : await instructorData(db, session.instructor.id),
    );
  });

  route(router, db, 'eraseOwnData', async ({ session, body }) => {
    const { id, name } = session.who === 'student' ? session.student : session.instructor;
    if (body.name.trim() !== name) throw new HttpProblem('refused', toldByServer('nameNotRepeated'));
    await db.transaction().execute(async (tx) => {
      if (session.who === 'student') {
        await record(tx, null, 'studentErased', null, session.student.className);
        await eraseStudent(tx, { id });
        return;
      }
      await holdPeople(tx);
      await refuseLast(tx, session.instructor);
      const course = await tx
        .selectFrom('course')
        .where('instructor_id', '=', id)
        .where('deleted_at', 'is', null)
        .select('id')
        .executeTakeFirst();
      if (course) throw new HttpProblem('refused', toldByServer('coursesFirst'));
      await eraseInstructor(tx, session.instructor);
      await record(tx, null, 'personErased');
    });
    return {};
  });

  return router;
}
