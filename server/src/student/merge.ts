import { sql } from 'kysely';
import type { Tx } from '../db/connect.js';
import { forgetStudents } from '../forget/forget.js';
import { readDocument } from '../stream/stream.js';
import { workStream } from '../work/streams.js';

/**
 * Makes one of two students who are the same person. Where both worked on a stage, the work that was changed last is
 * theirs from now on, and the figure of the other lies on their bench; tries are added up, and what either has passed
 * is passed. The return key of the one who stays is the one that works.
 * @returns how many figures went to the bench
 */
export async function mergeStudents(tx: Tx, into: string, from: string): Promise<number> {
  // Nobody may begin or check anything in between.
  await tx
    .selectFrom('student')
    .where('id', 'in', [into, from])
    .orderBy('id')
    .select('id')
    .forUpdate()
    .execute();
  const both = await sql<{ older: string; stream: string; name: string }>`
    select case when a.changed_at >= b.changed_at then theirs.id else mine.id end as older,
      case when a.changed_at >= b.changed_at then b.id else a.id end as stream,
      left(coalesce(edition.outline ->> 'title', ''), 120) || ', edition ' || edition.number as name
    from work as mine join stream as a on a.id = mine.stream_id
    join work as theirs on theirs.edition_id = mine.edition_id and theirs.sheet_id = mine.sheet_id
      and theirs.stage = mine.stage and theirs.student_id = ${from}
    join stream as b on b.id = theirs.stream_id
    join edition on edition.id = mine.edition_id
    where mine.student_id = ${into}`.execute(tx);
  const older = both.rows.map((row) => row.older);
  let toBench = 0;
  for (const { stream, name } of both.rows) {
    const { document, revision } = await readDocument(tx, stream, workStream);
    if (revision === 0) continue;
    await tx
      .insertInto('bench_figure')
      .values({ student_id: into, name, document: JSON.stringify(document) })
      .execute();
    toBench++;
  }
  if (older.length > 0) {
    const streams = await tx.deleteFrom('work').where('id', 'in', older).returning('stream_id').execute();
    await sql`delete from stream where id = any(${streams.map(({ stream_id }) => stream_id)}::uuid[])`.execute(
      tx,
    );
  }
  // What can be undone belongs to its author.
  await sql`update stream_step set author = ${into} from work
    where work.student_id = ${from} and work.stream_id = stream_step.stream_id and author = ${from}`.execute(
    tx,
  );
  // A sheet that was begun by the one alone stays drawn as it was for them.
  await sql`update work set student_id = ${into}, drawn_by = case when exists (
      select from work as mine where mine.student_id = ${into} and mine.edition_id = work.edition_id
        and mine.sheet_id = work.sheet_id
    ) then drawn_by else coalesce(drawn_by, ${from}) end
    where student_id = ${from}`.execute(tx);
  await sql`
    insert into task_state as kept (student_id, edition_id, sheet_id, task_id, results, answer, checked_revision, attempts,
      passed_at, score)
    select ${into}, edition_id, sheet_id, task_id, results, answer, checked_revision, attempts, passed_at, score
    from task_state where student_id = ${from}
    on conflict (student_id, edition_id, sheet_id, task_id) do update set
      attempts = kept.attempts + excluded.attempts,
      results = case when kept.passed_at is null and excluded.passed_at is not null then excluded.results else kept.results end,
      answer = case when kept.passed_at is null and excluded.passed_at is not null then excluded.answer else kept.answer end,
      passed_at = least(kept.passed_at, excluded.passed_at),
      score = least(kept.score, excluded.score)`.execute(tx);
  await sql`update task_check set student_id = ${into} where student_id = ${from}`.execute(tx);
  await sql`update bench_figure set student_id = ${into} where student_id = ${from}`.execute(tx);
  await sql`update student set last_seen = greatest(student.last_seen, other.last_seen),
      joined_at = coalesce(student.joined_at, other.joined_at)
    from student as other where student.id = ${into} and other.id = ${from}`.execute(tx);
  await forgetStudents(tx, [from]);
  return toBench;
}
