import { benchLimit, toldByServer } from '@bogen/contract';
import { Router } from 'express';
import { sql } from 'kysely';
import type { Db, Tx } from '../db/connect.js';
import { readForeignFigure, storedFigure } from '../figure/foreign.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import type { Session } from '../http/session.js';

type SignedIn = Exclude<Session, { who: 'nobody' }>;
/** Whose bench it is, by the columns of its figures. */
type Owner = { readonly instructor_id: string } | { readonly student_id: string };

const ownerOf = (session: SignedIn): Owner =>
  session.who === 'instructor'
    ? { instructor_id: session.instructor.id }
    : { student_id: session.student.id };
const columnOf = (owner: Owner) =>
  'instructor_id' in owner
    ? (['instructor_id', owner.instructor_id] as const)
    : (['student_id', owner.student_id] as const);

const columns = ['id', 'name', 'revision', 'changed_at as changedAt'] as const;
interface Row {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly changedAt: Date;
}
const shown = ({ changedAt, ...row }: Row) => ({ ...row, changedAt: changedAt.toISOString() });

/**
 * The bench: figures of one's own without a lesson. They are kept as documents and not as steps, since nobody shares
 * them: what can be undone rests in the page.
 */
export function benchRouter(db: Db): Router {
  const router = Router();

  route(router, db, 'bench', async ({ session }) => {
    const [column, owner] = columnOf(ownerOf(session));
    const rows = await db
      .selectFrom('bench_figure')
      .select([...columns, 'document'])
      .where(column, '=', owner)
      .where('deleted_at', 'is', null)
      .orderBy('changed_at', 'desc')
      .limit(benchLimit)
      .execute();
    return {
      figures: rows.map(({ document, ...row }) => ({ ...shown(row), figure: storedFigure(document) })),
    };
  });

  route(router, db, 'addToBench', async ({ body, session }) => {
    const figure = readForeignFigure(body.figure);
    const owner = ownerOf(session);
    return db.transaction().execute(async (tx) => {
      await refuseFullBench(tx, owner);
      const row = await tx
        .insertInto('bench_figure')
        .values({ ...owner, name: body.name, document: JSON.stringify(figure) })
        .returning([...columns])
        .executeTakeFirstOrThrow();
      return shown(row);
    });
  });

  route(router, db, 'benchFigure', async ({ params, session }) => {
    const [column, owner] = columnOf(ownerOf(session));
    const row = await db
      .selectFrom('bench_figure')
      .select([...columns, 'document'])
      .where('id', '=', params.figure)
      .where(column, '=', owner)
      .where('deleted_at', 'is', null)
      .executeTakeFirst();
    if (!row) throw new HttpProblem('not-found', toldByServer('notOnBench'));
    const { document, ...rest } = row;
    return { ...shown(rest), figure: storedFigure(document) };
  });

  route(router, db, 'changeBenchFigure', async ({ params, body, session }) => {
    const figure = body.figure === undefined ? undefined : readForeignFigure(body.figure);
    const owner = ownerOf(session);
    const [column, id] = columnOf(owner);
    return db.transaction().execute(async (tx) => {
      const row = await tx
        .selectFrom('bench_figure')
        .select([...columns, 'deleted_at as deletedAt'])
        .where('id', '=', params.figure)
        .where(column, '=', id)
        .forUpdate()
        .executeTakeFirst();
      if (!row || (row.deletedAt && body.deleted !== false))
        throw new HttpProblem('not-found', toldByServer('notOnBench'));
      if (row.deletedAt) await refuseFullBench(tx, owner);
      if (figure && body.base !== row.revision)
        throw new HttpProblem('stale', toldByServer('benchChangedElsewhere'));
      const set = {
        ...(body.name === undefined ? {} : { name: body.name }),
        ...(body.deleted === undefined ? {} : { deleted_at: body.deleted ? new Date() : null }),
        ...(figure
          ? { document: JSON.stringify(figure), revision: row.revision + 1, changed_at: sql<Date>`now()` }
          : {}),
      };
      if (Object.keys(set).length === 0) return shown(row);
      const changed = await tx
        .updateTable('bench_figure')
        .set(set)
        .where('id', '=', row.id)
        .returning([...columns])
        .executeTakeFirstOrThrow();
      return shown(changed);
    });
  });

  return router;
}

/** Its owner is the gate of a bench. @throws HttpProblem where it has no room */
async function refuseFullBench(tx: Tx, owner: Owner): Promise<void> {
  const [column, id] = columnOf(owner);
  await tx
    .selectFrom(column === 'instructor_id' ? 'instructor' : 'student')
    .select('id')
    .where('id', '=', id)
    .forUpdate()
    .execute();
  const { count } = await tx
    .selectFrom('bench_figure')
    .select(({ fn }) => fn.countAll<string>().as('count'))
    .where(column, '=', id)
    .where('deleted_at', 'is', null)
    .executeTakeFirstOrThrow();
  if (Number(count) >= benchLimit)
    throw new HttpProblem('refused', toldByServer('benchFull', { most: benchLimit }));
}
