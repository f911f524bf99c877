import { randomUUID } from 'node:crypto';
import type { LessonCommand } from '@bogen/core/lesson';
import { nearAndFar } from '@bogen/demo';
import { sql } from 'kysely';
import { beforeAll, describe, expect, it } from 'vitest';
import { nearAndFarOf, readProblem, TestServer, type Visitor } from './harness.js';
import { tellPresence } from '../src/lesson/presence.js';

const server = new TestServer('lesson');
let teacher: Visitor;
let course: string;

beforeAll(async () => {
  teacher = await server.signedIn();
  course = (await teacher.call('shelf')).courses[0]!.id;
});

const newLesson = async (): Promise<string> =>
  (await teacher.call('createLesson', { params: { course }, body: { document: nearAndFar } })).id;
const done = (command: LessonCommand) => ({ id: randomUUID(), kind: 'do' as const, command });
const titled = (title: string) => done({ name: 'setTitle', title });
const append = (lesson: string, base: number, ...steps: unknown[]) => ({
  params: { lesson },
  body: { base, steps } as never,
});

describe('the shelf', () => {
  it('shows courses, lessons with their first figure, and classes', async () => {
    const { courses } = await teacher.call('shelf');
    expect(courses[0]).toMatchObject({ title: 'Lines of a viol', classes: [{ students: 12 }] });
    expect(nearAndFarOf(courses[0]!.lessons)).toMatchObject({
      title: 'Near and far',
      sheetCount: 5,
      edition: 1,
      changedSinceEdition: false,
    });
    expect(nearAndFarOf(courses[0]!.lessons).firstFigure).toEqual(nearAndFar.sheets[0]!.figure);
  });

  it('is empty for a new instructor, who can fill it and sees nothing of the others', async () => {
    const stranger = await server.stranger();
    expect(await stranger.call('shelf')).toEqual({ courses: [], deleted: [] });
    const { id } = await stranger.call('createCourse', { body: { title: 'Bows' } });
    const { code } = await stranger.call('createClass', {
      params: { course: id },
      body: { name: 'Evening' },
    });
    expect(code).toMatch(/^[A-Z0-9]{4}-[A-Z0-9]{4}$/);
    expect((await stranger.call('shelf')).courses[0]).toMatchObject({
      title: 'Bows',
      lessons: [],
      classes: [{ code }],
    });
    const lesson = await newLesson();
    expect(await stranger.problem('draft', { params: { lesson } })).toMatchObject({
      type: 'not-found',
      status: 404,
    });
    expect(await stranger.problem('appendToDraft', append(lesson, 0, titled('Mine')))).toMatchObject({
      type: 'not-found',
    });
    expect(await stranger.problem('publish', { params: { lesson }, body: { revision: 0 } })).toMatchObject({
      type: 'not-found',
    });
    expect(
      await stranger.problem('createLesson', { params: { course }, body: { document: nearAndFar } }),
    ).toMatchObject({ type: 'not-found' });
  });
});

describe('a draft', () => {
  it('comes back as it was sent, numbers to the last digit', async () => {
    const lesson = await newLesson();
    expect((await teacher.call('draft', { params: { lesson } })).document).toEqual(nearAndFar);
  });

  it('is saved step by step, with what undo and redo need to go on after a reload', async () => {
    const lesson = await newLesson();
    const steps = [
      titled('One'),
      titled('Two'),
      { id: randomUUID(), kind: 'undo' },
      { id: randomUUID(), kind: 'redo' },
      { id: randomUUID(), kind: 'undo' },
    ];
    expect(await teacher.call('appendToDraft', append(lesson, 0, ...steps))).toEqual({ revision: 5 });
    const draft = await teacher.call('draft', { params: { lesson } });
    expect(draft.document.title).toBe('One');
    expect(draft.undoable.map(({ id }) => id)).toEqual([steps[0]!.id]);
    expect(draft.redoable).toMatchObject([{ id: steps[1]!.id, inverse: { name: 'setTitle', title: 'One' } }]);
    expect(draft.recent).toEqual(steps.map(({ id }) => id).reverse());
    expect(draft.more).toBe(false);
    await teacher.call('appendToDraft', append(lesson, 5, { id: randomUUID(), kind: 'undo' }));
    expect((await teacher.call('draft', { params: { lesson } })).document.title).toBe('Near and far');
    expect(
      await teacher.problem('appendToDraft', append(lesson, 6, { id: randomUUID(), kind: 'undo' })),
    ).toMatchObject({ type: 'refused', detail: 'There is nothing to undo.' });
  });

  it('answers a stale base with the present state and changes nothing', async () => {
    const lesson = await newLesson();
    await teacher.call('appendToDraft', append(lesson, 0, titled('First window')));
    const problem = await teacher.problem('appendToDraft', append(lesson, 0, titled('Second window')));
    expect(problem).toMatchObject({
      type: 'stale',
      status: 409,
      current: { revision: 1, document: { title: 'First window' } },
    });
    expect((await teacher.call('draft', { params: { lesson } })).revision).toBe(1);
  });

  it('takes steps that are sent twice once', async () => {
    const lesson = await newLesson();
    const first = titled('One');
    const second = titled('Two');
    await teacher.call('appendToDraft', append(lesson, 0, first));
    expect(await teacher.call('appendToDraft', append(lesson, 0, first))).toEqual({ revision: 1 });
    expect(await teacher.call('appendToDraft', append(lesson, 0, first, second))).toEqual({ revision: 2 });
    // Everything known, but others came in since: the client must hear of it.
    expect(await teacher.problem('appendToDraft', append(lesson, 0, first))).toMatchObject({ type: 'stale' });
  });

  it('keeps its order under two writers at once: one wins, the other hears of it', async () => {
    const lesson = await newLesson();
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, index) =>
        teacher.fetch(`/lessons/${lesson}/steps`, {
          method: 'POST',
          body: JSON.stringify({ base: 0, steps: [titled(`Writer ${index}`)] }),
          headers: { 'content-type': 'application/json' },
        }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array<number>(7).fill(409)]);
    expect((await teacher.call('draft', { params: { lesson } })).revision).toBe(1);
  });

  it('is left as it was where one step of several does not fit', async () => {
    const lesson = await newLesson();
    const bad = done({ name: 'removeSheet', sheet: 'nothing' });
    expect(await teacher.problem('appendToDraft', append(lesson, 0, titled('Good'), bad))).toMatchObject({
      type: 'refused',
      status: 422,
    });
    expect((await teacher.call('draft', { params: { lesson } })).document.title).toBe('Near and far');
  });

  it('that is not there is told in one sentence', async () => {
    expect(await teacher.problem('draft', { params: { lesson: randomUUID() } })).toMatchObject({
      type: 'not-found',
    });
    expect(await readProblem(await teacher.fetch('/lessons/not-an-id/draft'))).toMatchObject({
      type: 'not-found',
      status: 404,
    });
  });
});

describe('foreign documents', () => {
  const create = (document: unknown) =>
    teacher.problem('createLesson', { params: { course }, body: { document } });
  const changed = (
    change: (
      lesson: { sheets: { figure: { items: Record<string, unknown>[]; loose: unknown } }[] } & Record<
        string,
        unknown
      >,
    ) => void,
  ) => {
    const copy = structuredClone(nearAndFar) as never;
    change(copy);
    return copy;
  };
  it.each<[string, unknown, RegExp]>([
    ['nothing', null, /has no version/],
    ['a list', [], /has no version/],
    ['another program’s file', { points: [], format: 'x' }, /has no version/],
    ['a newer version', { ...nearAndFar, version: 7 }, /versions up to 2/],
    ['no sheets', { ...nearAndFar, sheets: [] }, /is incomplete/],
    ['sheets that are no list', { ...nearAndFar, sheets: 'many' }, /is incomplete/],
    ['a sheet of nothing', { ...nearAndFar, sheets: [null] }, /is incomplete/],
    ['a foreign field', { ...nearAndFar, script: 'x' }, /is incomplete/],
    [
      'an unknown kind of prose',
      changed(
        (lesson) =>
          ((lesson.sheets[0] as never as { prose: unknown }).prose = {
            type: 'doc',
            content: [{ type: 'script' }],
          }),
      ),
      /is incomplete/,
    ],
    [
      'a knot vector of wrong length',
      changed((lesson) => (lesson.sheets[0]!.figure.items[0]!['curve'] as { knots: number[] }).knots.pop()),
      /need 14/,
    ],
    [
      'a loose point that is not there',
      changed(
        (lesson) => (lesson.sheets[0]!.figure.loose = { waist: { controlPoints: [77], editPoints: [] } }),
      ),
      /no such point/,
    ],
    [
      'an item twice',
      changed((lesson) => lesson.sheets[0]!.figure.items.push(lesson.sheets[0]!.figure.items[0]!)),
      /ids must be unique/,
    ],
  ])('are refused: %s', async (_, document, sentence) => {
    const problem = await create(document);
    expect(problem).toMatchObject({ type: 'refused', status: 422 });
    expect(problem.detail).toMatch(sentence);
  });

  it('malformed or too large are refused before they are read', async () => {
    const send = (body: string) =>
      teacher.fetch(`/courses/${course}/lessons`, {
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json' },
      });
    expect(await readProblem(await send('{"document":'))).toMatchObject({ type: 'bad-request', status: 400 });
    expect(await readProblem(await send(`{"document":"${'x'.repeat(5_000_000)}"}`))).toMatchObject({
      type: 'too-large',
      status: 413,
    });
    expect(await readProblem(await send('{"document":{},"extra":1}'))).toMatchObject({ type: 'bad-request' });
  });
});

describe('publishing', () => {
  it('makes an edition that never changes, and each state only once', async () => {
    const lesson = await newLesson();
    expect(await teacher.call('publish', { params: { lesson }, body: { revision: 0 } })).toEqual({
      number: 1,
      revision: 0,
    });
    expect(await teacher.call('publish', { params: { lesson }, body: { revision: 0 } })).toEqual({
      number: 1,
      revision: 0,
    });
    await teacher.call('appendToDraft', append(lesson, 0, titled('Better')));
    expect(await teacher.problem('publish', { params: { lesson }, body: { revision: 0 } })).toMatchObject({
      type: 'stale',
    });
    expect(await teacher.call('publish', { params: { lesson }, body: { revision: 1 } })).toEqual({
      number: 2,
      revision: 1,
    });
    const editions = await server.db
      .selectFrom('edition')
      .select(['number', 'document'])
      .where('lesson_id', '=', lesson)
      .orderBy('number')
      .execute();
    expect(editions.map(({ document }) => (document as { title: string }).title)).toEqual([
      'Near and far',
      'Better',
    ]);
    await expect(
      sql`update edition set number = 9 where lesson_id = ${lesson}`.execute(server.db),
    ).rejects.toThrow(/never changes/);
  });
});

describe('how a lesson was', () => {
  it('is told by editions and days, and read at any of them', async () => {
    const lesson = await newLesson();
    await teacher.call('publish', { params: { lesson }, body: { revision: 0 } });
    await teacher.call('appendToDraft', append(lesson, 0, titled('Second'), titled('Third')));
    await sql`
      update stream_step set made_at = made_at - interval '3 days'
      where revision = 1 and stream_id = (select stream_id from lesson where id = ${lesson})
    `.execute(server.db);
    const history = await teacher.call('lessonHistory', { params: { lesson } });
    expect(history.editions).toMatchObject([{ number: 1, revision: 0 }]);
    expect(history.days.map(({ revision, steps }) => [revision, steps])).toEqual([
      [2, 1],
      [1, 1],
    ]);
    const at = async (revision: number) =>
      (await teacher.call('lessonAt', { params: { lesson, revision: String(revision) } as never })).document
        .title;
    expect([await at(0), await at(1), await at(2)]).toEqual(['Near and far', 'Second', 'Third']);
    const other = await server.stranger();
    expect((await other.problem('lessonHistory', { params: { lesson } })).type).toBe('not-found');
    expect((await other.problem('lessonAt', { params: { lesson, revision: '0' } as never })).type).toBe(
      'not-found',
    );
  });
});

describe('who writes at a lesson', () => {
  it('is told to the other pages, for as long as a page is heard of', async () => {
    const lesson = await newLesson();
    const tell = async (page: string, sheet: string, isGone = false) =>
      (await teacher.call('presence', { params: { lesson }, body: { page, sheet, isGone } })).others;
    expect(await tell('a', 'near')).toEqual([]);
    expect(await tell('b', 'far')).toMatchObject([{ page: 'a', sheet: 'near' }]);
    expect(await tell('a', 'far')).toMatchObject([{ page: 'b', sheet: 'far' }]);
    await tell('b', 'far', true);
    expect(await tell('a', 'far')).toEqual([]);
    const other = await server.stranger();
    expect(
      (await other.problem('presence', { params: { lesson }, body: { page: 'c', sheet: 'x' } })).type,
    ).toBe('not-found');
  });

  it('is forgotten after a while, and only so many are kept in mind', async () => {
    const lesson = await newLesson();
    const tell = (id: number) => tellPresence(server.db, lesson, { page: `p${id}`, name: 'N', sheet: 's' });
    await tell(1);
    expect(await tell(2)).toMatchObject([{ page: 'p1' }]);
    await sql`update presence set seen_at = now() - interval '16 seconds' where page = 'p1'`.execute(
      server.db,
    );
    expect(await tell(3)).toMatchObject([{ page: 'p2' }]);
    for (let k = 10; k < 60; k++) await tell(k);
    expect((await tell(3)).length).toBeLessThanOrEqual(20);
    // One that is known is told of where it goes on, however many there are.
    expect(await tell(2)).toHaveLength(19);
  });
});
