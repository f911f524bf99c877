import { randomUUID } from 'node:crypto';
import { applyFigureCommand, figureVersion, type CurveItem, type FigureCommand } from '@bogen/core/figure';
import {
  advance,
  applyLessonCommand,
  CommandError,
  emptyProse,
  migrateLesson,
  startHistory,
  type History,
  type LessonCommand,
  type LessonDocument,
  type Step,
} from '@bogen/core/lesson';
import { batchLimits } from '@bogen/contract';
import { nearAndFar } from '@bogen/demo';
import { Kysely, PostgresDialect, sql } from 'kysely';
import fc from 'fast-check';
import pg from 'pg';
import { describe, expect, inject, it } from 'vitest';
import { up as first } from '../src/db/migrations/001-first-slice.js';
import { up as second } from '../src/db/migrations/002-pictures.js';
import { up as third } from '../src/db/migrations/003-guesses.js';
import { up as fourth } from '../src/db/migrations/004-log.js';
import { up as bytes } from '../src/db/migrations/014-bytes.js';
import { up as writtenLater } from '../src/db/migrations/016-written-later.js';
import { connect } from '../src/db/connect.js';
import type { Database } from '../src/db/schema.js';
import type { HttpProblem } from '../src/http/problem.js';
import { lessonStream } from '../src/lesson/document.js';
import { Applying } from '../src/stream/applying.js';
import { appendSteps } from '../src/stream/append.js';
import { createStream, documentAt, readDocument, readStream, snapshotEvery } from '../src/stream/stream.js';
import { workStream } from '../src/work/streams.js';
import { TestServer } from './harness.js';
import { holds } from '../../core/test/holds.js';

const server = new TestServer('stream');
const anna = randomUUID();
const ben = randomUUID();

type LessonHistory = History<LessonDocument, LessonCommand>;
type LessonStep = Step<LessonCommand>;

const newStream = () => server.db.transaction().execute((tx) => createStream(tx, nearAndFar));
const append = (id: string, author: string, base: number, steps: readonly LessonStep[]) =>
  appendSteps(server.db, id, author, { base, steps }, lessonStream);
const done = (command: LessonCommand): LessonStep => ({ id: randomUUID(), kind: 'do', command });
const titled = (title: string): LessonStep => done({ name: 'setTitle', title });
const move = (index: number, x: number): LessonCommand => ({
  name: 'figure',
  sheet: 'near',
  command: { name: 'moveControlPoint', item: 'waist', index, to: [x, 80] },
});

const kinds: fc.Arbitrary<'undo' | 'redo' | LessonCommand> = fc.oneof(
  { weight: 3, arbitrary: fc.constantFrom('undo' as const, 'redo' as const) },
  {
    weight: 2,
    arbitrary: fc
      .string({ minLength: 1, maxLength: 5 })
      .filter((text) => text.trim() !== '')
      .map((title): LessonCommand => ({ name: 'setTitle', title })),
  },
  {
    weight: 2,
    arbitrary: fc
      .record({ index: fc.integer({ min: 0, max: 9 }), x: fc.integer() })
      .map(({ index, x }) => move(index, x)),
  },
);

describe('a stream', () => {
  it('comes to the same as the steps in the browser, with the same to undo and redo, and any state is rebuilt', async () => {
    await holds(
      fc.asyncProperty(
        fc.array(kinds, { maxLength: 40 }),
        fc.integer({ min: 1, max: 12 }),
        async (list, batch) => {
          const id = await newStream();
          let history: LessonHistory = startHistory(migrateLesson(nearAndFar));
          const states = [history.document];
          const steps: LessonStep[] = [];
          for (const kind of list) {
            const step: LessonStep = typeof kind === 'string' ? { id: randomUUID(), kind } : done(kind);
            try {
              history = advance(history, step, applyLessonCommand).history;
            } catch (error) {
              expect(error).toBeInstanceOf(CommandError);
              continue;
            }
            steps.push(step);
            states.push(history.document);
          }
          for (let at = 0; at < steps.length; at += batch)
            await append(id, anna, at, steps.slice(at, at + batch));
          const state = await readStream(server.db, id, lessonStream, anna);
          expect(state).toMatchObject({ document: history.document, revision: steps.length });
          expect(state.undoable).toEqual(history.undoable);
          expect(state.redoable).toEqual(history.redoable);
          const at = Math.floor(states.length / 2);
          expect(await documentAt(server.db, id, lessonStream, at)).toEqual(states[at]);
        },
      ),
      { numRuns: 25 },
    );
  }, 60_000);

  it('lets each author undo their own, whatever the other did since', async () => {
    const id = await newStream();
    await append(id, anna, 0, [done(move(1, 1))]);
    await append(id, ben, 1, [done(move(2, 2)), titled('Ben’s')]);
    await append(id, anna, 3, [{ id: randomUUID(), kind: 'undo' }]);
    const after = await readStream(server.db, id, lessonStream, ben);
    expect(after.document.title).toBe('Ben’s');
    const { points } = (after.document.sheets[0]!.figure.items[0] as CurveItem).curve;
    expect(points[1]).toEqual([86, 101]);
    expect(points[2]).toEqual([2, 80]);
    expect(after.undoable).toHaveLength(2);
    expect((await readStream(server.db, id, lessonStream, anna)).redoable).toHaveLength(1);
    await expect(append(id, anna, 4, [{ id: randomUUID(), kind: 'undo' }])).rejects.toThrow(
      'nothing to undo',
    );
  });

  it('keeps snapshots, rebuilds any state from the one before it, and hands out only the newest of what can be undone', async () => {
    const id = await newStream();
    const count = 2 * snapshotEvery + 30;
    const steps = Array.from({ length: count }, (_, k) => titled(`Title ${k + 1}`));
    for (let at = 0; at < count; at += batchLimits.steps)
      await append(id, anna, at, steps.slice(at, at + batchLimits.steps));
    const { rows } = await sql<{ revision: number }>`
      select revision from stream_snapshot where stream_id = ${id} order by revision`.execute(server.db);
    expect(rows.map(({ revision }) => revision)).toEqual([0, snapshotEvery, 2 * snapshotEvery]);
    for (const revision of [1, 99, 100, 101, 199, 230]) {
      expect((await documentAt(server.db, id, lessonStream, revision))!.title).toBe(`Title ${revision}`);
    }
    const state = await readStream(server.db, id, lessonStream, anna);
    expect(state.more).toBe(true);
    expect(state.undoable).toHaveLength(40);
    expect(state.undoable.at(-1)).toMatchObject({ command: { title: 'Title 230' } });
    expect(state.recent).toHaveLength(batchLimits.steps);
    // Undoing goes on below what was handed out.
    const undos = Array.from({ length: 150 }, (): LessonStep => ({ id: randomUUID(), kind: 'undo' }));
    await append(id, anna, count, undos);
    expect((await readStream(server.db, id, lessonStream, anna)).document.title).toBe('Title 80');
  }, 60_000);

  it('tells a stale client what was done since, and a refused batch which step does not fit', async () => {
    const id = await newStream();
    const own = titled('Mine');
    await append(id, anna, 0, [own]);
    await append(id, ben, 1, [done(move(3, 3))]);
    await expect(append(id, anna, 0, [own, titled('Again')])).rejects.toMatchObject({
      problem: { type: 'stale', current: { revision: 2, since: [move(3, 3)] } },
    });
    const wrong = done({ name: 'setSheetTitle', sheet: 'nowhere', title: 'X' });
    await expect(append(id, anna, 2, [titled('Fits'), wrong, titled('Too')])).rejects.toMatchObject({
      problem: { type: 'refused', step: wrong.id },
    });
    expect((await readStream(server.db, id, lessonStream, anna)).document.title).toBe('Mine');
  });

  it('writes the document of a figure now and then only; whoever reads it gets the present one, also of other processes', async () => {
    const start = migrateLesson(nearAndFar).sheets[0]!.figure;
    // Another process knows other documents.
    const other = connect(server.databaseUrl);
    // Of all lists together: in one of them every step may come from another process than the one before it.
    let left = 0;
    try {
      await holds(
        fc.asyncProperty(
          fc.array(
            fc.record({ here: fc.boolean(), kind: fc.constantFrom('do', 'do', 'do', 'do', 'undo', 'redo') }),
            { minLength: 30, maxLength: 60 },
          ),
          async (list) => {
            const id = await server.db.transaction().execute((tx) => createStream(tx, start));
            let history = startHistory<typeof start, FigureCommand>(start);
            let revision = 0;
            for (const [k, { here, kind }] of list.entries()) {
              const step = {
                id: randomUUID(),
                ...(kind === 'do'
                  ? { kind, command: { name: 'moveControlPoint', item: 'waist', index: k % 9, to: [k, 3] } }
                  : { kind }),
              } as Step<FigureCommand>;
              try {
                history = advance(history, step, applyFigureCommand).history;
              } catch {
                continue;
              }
              const db = here ? server.db : other;
              const sent = { base: revision, steps: [step] };
              const answer = await appendSteps(db, id, anna, sent, workStream);
              expect(answer.revision).toBe(++revision);
              // The same once more, as after a lost answer.
              expect(await appendSteps(db, id, anna, sent, workStream)).toEqual(answer);
              const { written } = await server.db
                .selectFrom('stream')
                .where('id', '=', id)
                .select('document_revision as written')
                .executeTakeFirstOrThrow();
              expect(revision - written).toBeLessThan(workStream.documentEvery!);
              if (written < revision) left++;
            }
            const state = await readStream(server.db, id, workStream, anna);
            expect(state).toMatchObject({ document: history.document, revision });
            expect(state.undoable).toEqual(history.undoable);
            const at = Math.floor(revision / 2);
            const before = await documentAt(server.db, id, workStream, at);
            expect(before).toBeDefined();
          },
        ),
        { numRuns: 12 },
      );
    } finally {
      await other.destroy();
    }
    expect(left).toBeGreaterThan(0);
  }, 240_000);

  it('takes one of two steps that come from two processes at the same revision, and gives the other what was done', async () => {
    const start = migrateLesson(nearAndFar).sheets[0]!.figure;
    const other = connect(server.databaseUrl);
    try {
      const id = await server.db.transaction().execute((tx) => createStream(tx, start));
      const moved = (x: number) => ({
        base: 0,
        steps: [
          {
            id: randomUUID(),
            kind: 'do' as const,
            command: { name: 'moveControlPoint' as const, item: 'waist', index: 1, to: [x, 3] as const },
          },
        ],
      });
      const answers = await Promise.allSettled(
        [server.db, other, server.db, other].map((db, k) => appendSteps(db, id, anna, moved(k), workStream)),
      );
      expect(answers.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
      for (const answer of answers)
        if (answer.status === 'rejected')
          expect((answer.reason as HttpProblem).problem).toMatchObject({ type: 'stale' });
      const { document, revision } = await readDocument(other, id, workStream);
      expect(revision).toBe(1);
      const won = answers.findIndex(({ status }) => status === 'fulfilled');
      expect((document.items.find((item) => item.id === 'waist') as CurveItem).curve.points[1]).toEqual([
        won,
        3,
      ]);
    } finally {
      await other.destroy();
    }
  });

  it('does not take more commands than a request may hold, nor a document larger than is kept', async () => {
    const id = await newStream();
    const batch = (count: number): LessonStep =>
      done({
        name: 'figure',
        sheet: 'near',
        command: {
          name: 'batch',
          commands: Array.from({ length: count }, (_, k) => ({
            name: 'setDegree',
            item: 'waist',
            degree: 1 + (k % 3),
          })),
        },
      });
    const most = Math.floor(batchLimits.commands / 500);
    await append(
      id,
      anna,
      0,
      Array.from({ length: most }, () => batch(500)),
    );
    await expect(
      append(
        id,
        anna,
        most,
        Array.from({ length: most + 1 }, () => batch(500)),
      ),
    ).rejects.toMatchObject({
      problem: { type: 'bad-request' },
    });
    const long = { type: 'paragraph', content: [{ type: 'text', text: 'x'.repeat(19_000) }] } as const;
    const prose = { ...emptyProse, content: Array.from({ length: 44 }, () => long) };
    let base = most;
    const big = (): LessonStep =>
      done({ name: 'addSheet', sheet: { ...nearAndFar.sheets[0]!, id: randomUUID(), prose }, at: 0 });
    await expect(
      (async () => {
        for (let k = 0; k < 8; k++) base = (await append(id, anna, base, [big()])).revision;
      })(),
    ).rejects.toMatchObject({ problem: { type: 'too-large', status: 413 } });
    expect(base).toBeGreaterThan(most + 1);
  }, 60_000);

  it('reads and hands out no more of a log of large steps than is meant, however well they compress', async () => {
    const id = await newStream();
    const large = (k: number): LessonCommand => ({
      name: 'setProse',
      sheet: 'near',
      prose: {
        ...emptyProse,
        content: Array.from({ length: 10 }, () => ({
          type: 'paragraph',
          content: [{ type: 'text', text: 'x'.repeat(18_000 + k) }],
        })),
      },
    });
    for (let k = 0; k < 50; k++) await append(id, anna, k, [done(large(k))]);
    const state = await readStream(server.db, id, lessonStream, anna);
    expect(state.more).toBe(true);
    expect(state.undoable).toHaveLength(1);
    expect(state.undoable[0]!.command).toEqual(large(49));
    await append(id, anna, 50, [{ id: randomUUID(), kind: 'undo' }]);
    expect((await readStream(server.db, id, lessonStream, anna)).redoable[0]!.command).toEqual(large(49));
    const stale = async (base: number): Promise<unknown> => {
      const error: unknown = await append(id, ben, base, [titled('Late')]).catch((e: unknown) => e);
      return (error as HttpProblem).problem.current;
    };
    expect(await stale(0)).toMatchObject({ revision: 51, since: null });
    expect(await stale(48)).toMatchObject({ since: [large(48), large(49), large(48)] });
    expect(await documentAt(server.db, id, lessonStream, 20)).toMatchObject({ title: nearAndFar.title });
    for (let k = 51; k < 95; k++) await append(id, anna, k, [done(large(k))]);
    await expect(documentAt(server.db, id, lessonStream, 94)).rejects.toMatchObject({
      problem: { type: 'too-costly' },
    });
  }, 60_000);
});

describe('commands given one after the other', () => {
  interface Count {
    readonly count: number;
  }
  const plain = (document: Count, by: number): { document: Count; inverse: number } => ({
    document: { count: document.count + by },
    inverse: -by,
  });
  const busy = (ms: number): void => {
    const end = performance.now() + ms;
    while (performance.now() < end);
  };

  it('leaves breaks in which others get their turn', async () => {
    let turns = 0;
    const timer = setInterval(() => turns++, 1);
    const slow = (document: Count, by: number): ReturnType<typeof plain> => {
      busy(10);
      return plain(document, by);
    };
    const applying = new Applying<Count, number>({ apply: slow }, { count: 0 });
    for (let k = 0; k < 20; k++) expect(await applying.do(k)).toBe(-k);
    clearInterval(timer);
    expect(applying.document.count).toBe(190);
    expect(turns).toBeGreaterThan(4);
  });

  it('ends where all together take too long', async () => {
    const applying = new Applying<Count, number>(
      {
        apply: (document, by) => {
          busy(400);
          return plain(document, by);
        },
      },
      { count: 0 },
    );
    await expect(
      (async () => {
        for (let k = 0; k < 20; k++) await applying.do(1);
      })(),
    ).rejects.toMatchObject({ problem: { type: 'too-costly' } });
  });

  it('does elsewhere what takes long, and asks there whether it is permitted', async () => {
    const asked: boolean[] = [];
    const applying = new Applying<Count, number>(
      {
        apply: plain,
        permit: () => undefined,
        elsewhere: {
          takesLong: (by) => by > 9,
          apply: (document, by, isAsked) => {
            asked.push(isAsked);
            return Promise.resolve(plain(document, by));
          },
        },
      },
      { count: 0 },
    );
    await applying.do(1);
    await applying.do(10);
    await applying.again(20);
    expect(asked).toEqual([true, false]);
    expect(applying.document).toEqual({ count: 31 });
  });
});

describe('the log of the edition before', () => {
  it('is brought along: what can be undone, whose it is, and stored parts of figures', async () => {
    const admin = server.db;
    await sql`create database test_stream_old`.execute(admin);
    const pool = new pg.Pool({
      connectionString: inject('clusterUrl').replace(/\/postgres$/, '/test_stream_old'),
      max: 2,
    });
    const db = new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });
    try {
      for (const migration of [first, second, third]) await migration(db as never);
      const old = {
        ...nearAndFar,
        sheets: nearAndFar.sheets.map((sheet) => ({
          ...sheet,
          figure: {
            ...sheet.figure,
            version: 1,
            shown: { ...sheet.figure.shown, places: true },
            items: [
              ...sheet.figure.items,
              {
                id: 'on',
                name: 'On',
                kind: 'built',
                operation: { name: 'curveOnPegs', pegs: ['peg', 'peg'], degree: 1, closed: false },
              },
            ],
          },
        })),
      };
      const { rows } = await sql<{ lesson: string; stream: string; teacher: string }>`
        with teacher as (insert into instructor (email, name, password_hash) values ('a@b.example', 'A', 'x') returning id),
        course as (insert into course (instructor_id, title) select id, 'C' from teacher returning id),
        stream as (insert into stream (document, revision) values (${JSON.stringify(old)}, 4) returning id)
        insert into lesson (course_id, stream_id) select course.id, stream.id from course, stream
        returning id as lesson, stream_id as stream, (select id from teacher) as teacher`.execute(db);
      const { lesson, stream, teacher } = rows[0]!;
      const command = {
        name: 'figure',
        sheet: 'near',
        command: { name: 'setShown', shown: { places: true } },
      };
      const inverse = {
        name: 'figure',
        sheet: 'near',
        command: { name: 'setShown', shown: { places: false } },
      };
      for (const [k, kind] of ['do', 'do', 'undo', 'do'].entries()) {
        await sql`insert into stream_step (stream_id, revision, id, kind, command, inverse) values (${stream}, ${k + 1},
          ${randomUUID()}, ${kind}, ${kind === 'do' ? JSON.stringify(command) : null},
          ${kind === 'do' ? JSON.stringify(inverse) : null})`.execute(db);
      }
      await sql`insert into edition (lesson_id, number, revision, document)
        values (${lesson}, 1, 4, ${JSON.stringify(old)})`.execute(db);
      await fourth(db as never);
      await bytes(db as never);
      await writtenLater(db as never);
      const state = await readStream(db, stream, lessonStream, teacher);
      expect(state.undoable).toHaveLength(2);
      expect(state.redoable).toHaveLength(0);
      expect(state.undoable[0]!.command).toEqual({
        ...command,
        command: { name: 'setShown', shown: { extremes: true } },
      });
      const { figure } = state.document.sheets[0]!;
      expect(figure).toMatchObject({ version: figureVersion, shown: { extremes: true } });
      expect(figure.items.at(-1)).toMatchObject({
        operation: { name: 'curveOnReferencePoints', points: ['peg', 'peg'] },
      });
      await appendSteps(
        db,
        stream,
        teacher,
        { base: 4, steps: [{ id: randomUUID(), kind: 'undo' }] },
        lessonStream,
      );
      expect(await documentAt(db, stream, lessonStream, 4)).toEqual(state.document);
      const { outline } = await db.selectFrom('edition').select('outline').executeTakeFirstOrThrow();
      expect(outline).toMatchObject({
        title: 'Near and far',
        sheets: nearAndFar.sheets.map(({ id }) => ({ id })),
      });
    } finally {
      await db.destroy();
    }
  });
});
