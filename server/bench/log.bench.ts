import { randomUUID } from 'node:crypto';
import type { LessonCommand } from '@bogen/core/lesson';
import { batchLimits } from '@bogen/contract';
import { nearAndFar } from '@bogen/demo';
import { connect, type Db } from '../src/db/connect.js';
import { migrateDatabase } from '../src/db/migrate.js';
import { lessonStream } from '../src/lesson/document.js';
import { appendSteps } from '../src/stream/append.js';
import { createStream, readStream } from '../src/stream/stream.js';

/** How long it takes to open, to append to and to undo in a stream of few steps and in one of many. */

const author = randomUUID();
const rounds = 61;

function steps(count: number) {
  return Array.from({ length: count }, (_, k) => {
    const command: LessonCommand = {
      name: 'figure',
      sheet: 'near',
      command: { name: 'moveControlPoint', item: 'waist', index: k % 10, to: [k % 300, 80 + (k % 7)] },
    };
    return { id: randomUUID(), kind: 'do' as const, command };
  });
}

async function streamOf(db: Db, count: number): Promise<{ id: string; revision: number }> {
  const id = await db.transaction().execute((tx) => createStream(tx, nearAndFar));
  for (let base = 0; base < count; base += batchLimits.steps) {
    await appendSteps(
      db,
      id,
      author,
      { base, steps: steps(Math.min(batchLimits.steps, count - base)) },
      lessonStream,
    );
  }
  return { id, revision: count };
}

/** Milliseconds of one round of each: opening, one more step, its undo. */
async function round(db: Db, stream: { id: string; revision: number }): Promise<[number, number, number]> {
  const timed = async (work: () => Promise<unknown>): Promise<number> => {
    const began = performance.now();
    await work();
    return performance.now() - began;
  };
  const append = (step: Parameters<typeof appendSteps<unknown, LessonCommand>>[3]['steps'][number]) => () =>
    appendSteps(db, stream.id, author, { base: stream.revision++, steps: [step] }, lessonStream);
  return [
    await timed(() => readStream(db, stream.id, lessonStream, author)),
    await timed(append(steps(1)[0]!)),
    await timed(append({ id: randomUUID(), kind: 'undo' })),
  ];
}

const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1]!;

const db = connect(process.env['DATABASE_URL']!);
await migrateDatabase(db);
const few = await streamOf(db, 20);
const many = await streamOf(db, 20_000);
const times: [number, number, number][][] = [[], []];
// In turn, so that a slow moment meets both.
for (let k = 0; k < rounds; k++) {
  times[0]!.push(await round(db, few));
  times[1]!.push(await round(db, many));
}
for (const [index, what] of ['open', 'append', 'undo'].entries()) {
  const [short, long] = times.map((list) => median(list.slice(1).map((one) => one[index]!)));
  console.log(
    `${what.padEnd(8)} 20 steps ${short!.toFixed(2)} ms, 20,000 steps ${long!.toFixed(2)} ms, ratio ${(long! / short!).toFixed(2)} (at most 1.5)`,
  );
}
await db.destroy();
