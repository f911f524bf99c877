import { toldByServer } from '@bogen/contract';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { readStream } from '../stream/stream.js';
import { lessonStream } from './document.js';
import { outlineOf } from './outline.js';

/**
 * Publishes the draft as the next edition, an immutable copy. Publishing the same revision twice gives
 * the edition that is there.
 * @throws HttpProblem `stale` where the draft is no longer at `revision`
 */
export async function publishEdition(
  db: Db,
  lessonId: string,
  revision: number,
  instructor: string,
): Promise<{ number: number; revision: number }> {
  return db.transaction().execute(async (tx) => {
    const lesson = await tx
      .selectFrom('lesson')
      .innerJoin('stream', 'stream.id', 'lesson.stream_id')
      .where('lesson.id', '=', lessonId)
      .select(['stream.id as streamId', 'stream.revision'])
      .forUpdate()
      .executeTakeFirstOrThrow();
    const draft = await readStream(tx, lesson.streamId, lessonStream, instructor);
    if (draft.revision !== revision) {
      throw new HttpProblem('stale', toldByServer('draftChangedElsewhere'), { current: draft });
    }
    const newest = await tx
      .selectFrom('edition')
      .select(['number', 'revision'])
      .where('lesson_id', '=', lessonId)
      .orderBy('number', 'desc')
      .executeTakeFirst();
    if (newest?.revision === revision) return newest;
    const number = (newest?.number ?? 0) + 1;
    await tx
      .insertInto('edition')
      .values({
        lesson_id: lessonId,
        number,
        revision,
        document: JSON.stringify(draft.document),
        outline: JSON.stringify(outlineOf(draft.document)),
      })
      .execute();
    return { number, revision };
  });
}
