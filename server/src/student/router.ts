import { toldByServer } from '@bogen/contract';
import { Router } from 'express';
import { record } from '../audit/record.js';
import { classFor } from '../course/access.js';
import { studentData } from '../data/studentData.js';
import { brokenConstraint, type Db, type Tx } from '../db/connect.js';
import { eraseStudent } from '../forget/erase.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { hashSecret, normaliseCode, randomCode } from '../http/secret.js';
import { endSessionsOf } from '../http/session.js';
import { streamedJson } from '../http/streamedJson.js';
import { mergeStudents } from './merge.js';
import { nameKey } from '../name/nameKey.js';
import { refuseFullClass } from './room.js';

/** The students of a class, as their instructor runs it. */
export function studentRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'addStudents', async ({ params, body, session }) => {
    const group = await classFor(db, params.class, session.instructor.id, 'own');
    return db.transaction().execute(async (tx) => {
      await refuseFullClass(tx, group.id, body.names.length);
      const there = await tx
        .selectFrom('student')
        .where('class_id', '=', group.id)
        .where('removed_at', 'is', null)
        .select('name_key')
        .execute();
      const keys = new Set(there.map(({ name_key }) => name_key));
      const taken: string[] = [];
      const fresh = body.names.flatMap((name) => {
        const key = nameKey(name);
        if (keys.has(key)) {
          taken.push(name);
          return [];
        }
        keys.add(key);
        return [{ name, key, returnKey: randomCode(3, 4) }];
      });
      if (fresh.length === 0) return { added: [], taken };
      const rows = await tx
        .insertInto('student')
        .values(
          fresh.map(({ name, key, returnKey }) => ({
            class_id: group.id,
            name,
            name_key: key,
            return_key_hash: hashSecret(normaliseCode(returnKey)),
            joined_at: null,
          })),
        )
        .returning(['id', 'name'])
        .execute();
      await record(tx, session, 'studentsAdded', group, String(rows.length));
      const ids = new Map(rows.map(({ id, name }) => [name, id]));
      return {
        added: fresh.map(({ name, returnKey }) => ({ id: ids.get(name)!, name, returnKey })),
        taken,
      };
    });
  });

  route(router, db, 'newKeys', async ({ params, body, session }) => {
    const group = await classFor(db, params.class, session.instructor.id, 'own');
    return db.transaction().execute(async (tx) => {
      const students = await tx
        .selectFrom('student')
        .where('class_id', '=', group.id)
        .where('removed_at', 'is', null)
        .where('id', 'in', body.students)
        .select(['id', 'name'])
        .orderBy('name')
        .execute();
      const given = [];
      for (const student of students) {
        const returnKey = randomCode(3, 4);
        await tx
          .updateTable('student')
          .set({ return_key_hash: hashSecret(normaliseCode(returnKey)) })
          .where('id', '=', student.id)
          .execute();
        await endSessionsOf(tx, { student: student.id });
        await record(tx, session, 'returnKeyMade', student, group.name);
        given.push({ ...student, returnKey });
      }
      return { students: given };
    });
  });

  route(router, db, 'changeStudent', async ({ params, body, session }) => {
    const group = await classFor(db, params.class, session.instructor.id, 'own');
    try {
      await db.transaction().execute(async (tx) => {
        const student = await studentOf(tx, group.id, params.student);
        if (body.removed !== undefined) {
          if (!body.removed) await refuseFullClass(tx, group.id, 1);
          await tx
            .updateTable('student')
            .set({ removed_at: body.removed ? new Date() : null })
            .where('id', '=', student.id)
            .execute();
          if (body.removed) await endSessionsOf(tx, { student: student.id });
          await record(tx, session, body.removed ? 'studentRemoved' : 'studentRestored', student, group.name);
        }
        if (body.name !== undefined && body.name !== student.name) {
          await tx
            .updateTable('student')
            .set({ name: body.name, name_key: nameKey(body.name) })
            .where('id', '=', student.id)
            .execute();
          await record(tx, session, 'studentRenamed', student, body.name);
        }
        if (body.class !== undefined && body.class !== group.id) {
          const other = await classFor(tx, body.class, session.instructor.id, 'own');
          await refuseFullClass(tx, other.id, 1);
          await tx.updateTable('student').set({ class_id: other.id }).where('id', '=', student.id).execute();
          await record(tx, session, 'studentMoved', student, other.name);
        }
      });
    } catch (error) {
      if (brokenConstraint(error) !== 'student_name_in_class') throw error;
      const name = body.name ?? (await nameOf(db, params.student));
      throw new HttpProblem('name-taken', toldByServer('nameTakenInClass', { name }));
    }
    return {};
  });

  route(router, db, 'mergeStudents', async ({ params, body, session }) => {
    const group = await classFor(db, params.class, session.instructor.id, 'own');
    if (params.student === body.from) throw new HttpProblem('refused', toldByServer('mergeWithItself'));
    return db.transaction().execute(async (tx) => {
      const into = await studentOf(tx, group.id, params.student);
      const from = await studentOf(tx, group.id, body.from);
      const toBench = await mergeStudents(tx, into.id, from.id);
      await record(tx, session, 'studentsMerged', into, from.name);
      return { toBench };
    });
  });

  route(router, db, 'eraseStudent', async ({ params, body, session }) => {
    const group = await classFor(db, params.class, session.instructor.id, 'own');
    await db.transaction().execute(async (tx) => {
      const student = await studentOf(tx, group.id, params.student);
      if (body.name.trim() !== student.name)
        throw new HttpProblem('refused', toldByServer('nameNotRepeated'));
      await eraseStudent(tx, student);
      await record(tx, session, 'studentErased', null, group.name);
    });
    return {};
  });

  route(router, db, 'studentData', async ({ params, session }) => {
    const group = await classFor(db, params.class, session.instructor.id, 'own');
    const student = await studentOf(db, group.id, params.student);
    await record(db, session, 'dataExported', student, group.name);
    return streamedJson(await studentData(db, student.id));
  });

  return router;
}

/** A student of a class, removed or not. @throws HttpProblem `not-found` */
async function studentOf(tx: Db | Tx, group: string, id: string): Promise<{ id: string; name: string }> {
  const student = await tx
    .selectFrom('student')
    .where('id', '=', id)
    .where('class_id', '=', group)
    .select(['id', 'name'])
    .executeTakeFirst();
  if (!student) throw new HttpProblem('not-found', toldByServer('studentNotThere'));
  return student;
}

async function nameOf(db: Db, id: string): Promise<string> {
  const row = await db.selectFrom('student').where('id', '=', id).select('name').executeTakeFirst();
  return row?.name ?? '';
}
