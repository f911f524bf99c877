import { randomUUID } from 'node:crypto';
import { insertKnot, type Curve } from '@bogen/core/curve';
import type { CurveItem, FigureCommand } from '@bogen/core/figure';
import { figureOfStage, lessonVersion, newSheet } from '@bogen/core/lesson';
import { nearAndFar } from '@bogen/demo';
import { beforeAll, describe, expect, it } from 'vitest';
import { nearAndFarOf, TestServer, type Visitor } from './harness.js';

const server = new TestServer('work');
let teacher: Visitor;
let lesson: string;
let classId: string;

beforeAll(async () => {
  teacher = await server.signedIn();
  const [course] = (await teacher.call('shelf')).courses;
  lesson = nearAndFarOf(course!.lessons).id;
  classId = course!.classes[0]!.id;
});

const near = nearAndFar.sheets[0]!;
const solution: FigureCommand = { name: 'moveControlPoint', item: 'waist', index: 4, to: [158, 41.8] };
const done = (command: FigureCommand) => ({ id: randomUUID(), kind: 'do' as const, command });
const append = (work: string, base: number, ...steps: unknown[]) => ({
  params: { work },
  body: { base, steps } as never,
});
const move = (index: number, to: number[]) => done({ name: 'moveControlPoint', item: 'waist', index, to });

async function open(visitor: Visitor, sheet = near.id, stage = 'first') {
  const { edition } = await visitor.call('readLesson', { params: { lesson } });
  return visitor.call('openWork', { params: { edition: edition.id, sheet, stage }, body: {} });
}
async function check(visitor: Visitor) {
  const { edition } = await visitor.call('readLesson', { params: { lesson } });
  const params = { edition: edition.id, sheet: near.id, task: 'task' };
  return visitor.call('checkTask', { params, body: {} });
}

describe('a student’s work', () => {
  it('begins with the published figure and is found again, on another device too', async () => {
    const visitor = server.visitor();
    const { returnKey } = await visitor.call('join', { body: { code: 'BOUT-7K4M', name: 'Runa Hale' } });
    const work = await open(visitor);
    expect(work).toMatchObject({ document: near.figure, revision: 0, stage: 'first' });
    await visitor.call('appendToWork', append(work.id, 0, move(4, [158.123456789012, 41])));
    const elsewhere = server.visitor();
    await elsewhere.call('comeBack', { body: { code: 'BOUT-7K4M', returnKey } });
    const again = await open(elsewhere);
    expect(again.id).toBe(work.id);
    expect(again.document.items[0]).toMatchObject({
      curve: { points: expect.arrayContaining([[158.123456789012, 41]]) },
    });
  });

  it('moves loose points only', async () => {
    const visitor = await server.student('Sven Arbour');
    const { id } = await open(visitor);
    const refused = async (command: FigureCommand) =>
      expect(await visitor.problem('appendToWork', append(id, 0, done(command)))).toMatchObject({
        type: 'refused',
        detail: expect.stringContaining('not allow'),
      });
    await refused({ name: 'moveControlPoint', item: 'waist', index: 0, to: [0, 0] });
    await refused({ name: 'moveEditPoint', item: 'waist', index: 4, to: [0, 0] });
    await refused({ name: 'setDegree', item: 'waist', degree: 2 });
    await refused({ name: 'moveReferencePoint', item: 'peg', to: [0, 0] });
    await refused({ name: 'setLoose', item: 'waist', of: 'editPoints', indices: [4] });
    await refused({ name: 'batch', commands: [{ name: 'removeItem', item: 'peg' }] });
    expect((await open(visitor)).revision).toBe(0);
  });

  it('is nobody else’s', async () => {
    const visitor = await server.student('Tilda Voss');
    const { id } = await open(visitor);
    const other = await server.student('Ulf Brand');
    expect(await other.problem('appendToWork', append(id, 0, move(4, [1, 1])))).toMatchObject({
      type: 'not-found',
    });
    const { edition } = await other.call('readLesson', { params: { lesson } });
    const unopened = { edition: edition.id, sheet: near.id, task: 'task' };
    expect(await other.problem('checkTask', { params: unopened, body: {} })).toMatchObject({
      type: 'refused',
      detail: expect.stringContaining('Open the stage'),
    });
    expect(
      await other.problem('checkTask', { params: { ...unopened, task: 'none' }, body: {} }),
    ).toMatchObject({ type: 'refused' });
    expect(await teacher.problem('appendToWork', append(id, 0, move(4, [1, 1])))).toMatchObject({
      type: 'not-allowed',
    });
  });

  it('is judged on the server by the same calculation, and done stays done', async () => {
    const visitor = await server.student('Vida Kern');
    const { id } = await open(visitor);
    const before = await check(visitor);
    expect(before).toMatchObject({
      passed: false,
      revision: 0,
      results: [{ met: false }, { met: true, measured: 7 }],
    });
    await visitor.call('appendToWork', append(id, 0, done(solution)));
    expect(await check(visitor)).toMatchObject({
      passed: true,
      revision: 1,
    });
    await visitor.call('appendToWork', append(id, 1, { id: randomUUID(), kind: 'undo' }));
    expect(await check(visitor)).toMatchObject({
      passed: false,
      revision: 2,
    });
    const { progress } = await visitor.call('readLesson', { params: { lesson } });
    expect(progress.map((row) => row.progress)).toEqual(['done', ...Array<string>(4).fill('unopened')]);
    expect(progress[0]).toMatchObject({ passed: ['task'], moved: ['first'] });
  });

  it('opened twice at once is one work', async () => {
    const visitor = await server.student('Wanda Pell');
    const works = await Promise.all(Array.from({ length: 6 }, () => open(visitor)));
    expect(new Set(works.map(({ id }) => id)).size).toBe(1);
  });

  it('stays on its edition when a newer one comes out, and can go on to it', async () => {
    const visitor = await server.student('Xaver Toll');
    const work = await open(visitor);
    await visitor.call('appendToWork', append(work.id, 0, move(4, [150, 44])));
    const { revision } = await teacher.call('draft', { params: { lesson } });
    await teacher.call('appendToDraft', {
      params: { lesson },
      body: {
        base: revision,
        steps: [
          { id: randomUUID(), kind: 'do', command: { name: 'setSheetTitle', sheet: 'near', title: 'Near' } },
        ],
      },
    });
    await teacher.call('publish', { params: { lesson }, body: { revision: revision + 1 } });
    const reading = await visitor.call('readLesson', { params: { lesson } });
    expect(reading).toMatchObject({ edition: { number: 1 }, newestEdition: 2 });
    expect((await open(visitor)).revision).toBe(1);
    const newer = await visitor.call('readLesson', { params: { lesson }, query: { edition: '2' } });
    expect(newer.sheets[0]!.title).toBe('Near');
    const along = await visitor.call('openWork', {
      params: { edition: newer.edition.id, sheet: 'near', stage: 'first' },
      body: {},
    });
    // Its words are others and its figure is the same, so that the work is taken along.
    expect(along).toMatchObject({ revision: 1, document: (await open(visitor)).document });
    expect(along.id).not.toBe(work.id);
    expect(
      await visitor.problem('readLesson', { params: { lesson }, query: { edition: '9' } }),
    ).toMatchObject({ type: 'not-found' });
  });

  it('can’t be opened for lessons of other classes', async () => {
    const stranger = await server.stranger();
    const { id: course } = await stranger.call('createCourse', { body: { title: 'Other' } });
    const { code } = await stranger.call('createClass', { params: { course }, body: { name: 'Other' } });
    const outsider = server.visitor();
    await outsider.call('join', { body: { code, name: 'Out Sider' } });
    expect((await outsider.call('classHome')).lessons).toEqual([]);
    expect(await outsider.problem('readLesson', { params: { lesson } })).toMatchObject({ type: 'not-found' });
    const insider = await server.student('Yara Sol');
    const { edition } = await insider.call('readLesson', { params: { lesson } });
    expect(
      await outsider.problem('openWork', {
        params: { edition: edition.id, sheet: near.id, stage: 'first' },
        body: {},
      }),
    ).toMatchObject({ type: 'not-found' });
    expect(
      await insider.problem('openWork', {
        params: { edition: edition.id, sheet: 'no-such-sheet', stage: 'first' },
        body: {},
      }),
    ).toMatchObject({ type: 'not-found' });
    expect(
      await insider.problem('openWork', {
        params: { edition: edition.id, sheet: near.id, stage: 'no-such-stage' },
        body: {},
      }),
    ).toMatchObject({ type: 'not-found' });
  });
});

describe('a stage', () => {
  const curve = (near.figure.items[0] as CurveItem).curve;
  const insert = (at: number, result: Curve): FigureCommand => ({
    name: 'operate',
    item: 'waist',
    operation: { name: 'insertKnot', source: 'waist', parameter: at, times: 1 },
    curve: result,
  });
  const sheet = newSheet({
    id: 'staged',
    title: 'Staged',
    figure: near.figure,
    stages: [
      { id: 'first', caption: '', notes: 'Ask them first.', commands: [] },
      {
        id: 'second',
        caption: 'A knot comes in',
        commands: [
          insert(0.4, insertKnot(curve, 0.4)),
          {
            name: 'setReadersMay',
            freedoms: [{ kind: 'operation', operation: 'insertKnot', item: 'waist', most: 1 }],
          },
        ],
      },
    ],
  });

  it('is work of its own, begun as it shows the figure, in which exactly what it allows can be done', async () => {
    const [course] = (await teacher.call('shelf')).courses;
    const made = await teacher.call('createLesson', {
      params: { course: course!.id },
      body: { document: { version: lessonVersion, title: 'Stages', sheets: [sheet] } },
    });
    await teacher.call('publish', { params: { lesson: made.id }, body: { revision: 0 } });
    const visitor = await server.student('Zita Horn');
    const reading = await visitor.call('readLesson', { params: { lesson: made.id } });
    // What the instructor says to a stage is not for students.
    expect(JSON.stringify(reading.sheets)).not.toContain('Ask them first');
    const params = { edition: reading.edition.id, sheet: 'staged', stage: 'second' };
    const work = await visitor.call('openWork', { params, body: {} });
    const now = insertKnot(curve, 0.4);
    expect(work.document).toEqual(figureOfStage(sheet, 'second'));
    const refused = async (command: FigureCommand, words: string) =>
      expect(await visitor.problem('appendToWork', append(work.id, 0, done(command)))).toMatchObject({
        type: 'refused',
        detail: expect.stringContaining(words),
      });
    await refused({ name: 'setWeight', item: 'waist', index: 2, weight: 2 }, 'does not allow');
    // A result from elsewhere is not a claim.
    await refused(insert(0.6, insertKnot(curve, 0.6)), 'not what the operation comes to');
    await visitor.call('appendToWork', append(work.id, 0, done(insert(0.6, insertKnot(now, 0.6)))));
    const again = insert(0.7, insertKnot(insertKnot(now, 0.6), 0.7));
    expect(await visitor.problem('appendToWork', append(work.id, 1, done(again)))).toMatchObject({
      type: 'refused',
    });
    const first = await visitor.call('openWork', { params: { ...params, stage: 'first' }, body: {} });
    expect(first).toMatchObject({ revision: 0, stage: 'first', document: near.figure });
    const { progress } = await visitor.call('readLesson', { params: { lesson: made.id } });
    expect(progress[0]).toMatchObject({ moved: ['second'], progress: 'done' });
  });
});

describe('the class desk', () => {
  it('shows who has done which sheet and opens a figure as it was left', async () => {
    const desk = await teacher.call('desk', { params: { class: classId }, query: { lesson } });
    // What can't be stored is taken out of what is looked for, too.
    const found = await teacher.call('desk', { params: { class: classId }, query: { find: '\u0000Catrin' } });
    expect(found.students.map(({ name }) => name)).toEqual(['Catrin Vale']);
    const catrin = desk.students.find(({ name }) => name === 'Catrin Vale')!;
    expect(catrin.work.map(({ sheet, progress }) => [sheet, progress])).toEqual([
      ['near', 'done'],
      ['far', 'tried'],
    ]);
    expect(desk.students.find(({ name }) => name === 'Lorcan Weiss')).toMatchObject({
      work: [],
      lastSeen: null,
    });
    const left = await teacher.call('studentWork', { params: { class: classId, work: catrin.work[1]!.id } });
    expect(left).toMatchObject({ student: 'Catrin Vale', attempts: 1, progress: 'tried', revision: 2 });
    expect(left.document.items.find(({ id }) => id === 'waist')).not.toEqual(
      left.sheet.figure.items.find(({ id }) => id === 'waist'),
    );
  });

  it('is its instructor’s alone', async () => {
    const stranger = await server.stranger();
    expect(await stranger.problem('desk', { params: { class: classId } })).toMatchObject({
      type: 'not-found',
    });
    const { students } = await teacher.call('desk', { params: { class: classId }, query: { lesson } });
    const work = students.flatMap((student) => student.work)[0]!.id;
    expect(await stranger.problem('studentWork', { params: { class: classId, work } })).toMatchObject({
      type: 'not-found',
    });
  });
});

describe('a newer edition', () => {
  it('takes work and tasks along where nothing of them changed, with undo, and tells where something did', async () => {
    const visitor = await server.student('Yrsa Along');
    const { edition, sheets } = await visitor.call('readLesson', { params: { lesson } });
    const openIn = (of: string, sheet: string) =>
      visitor.call('openWork', { params: { edition: of, sheet, stage: 'first' }, body: {} });
    const [same, changed] = [sheets[0]!.id, sheets[1]!.id];
    const work = await openIn(edition.id, same);
    await visitor.call('appendToWork', append(work.id, 0, done(solution)));
    expect((await check(visitor)).passed).toBe(true);
    const other = await openIn(edition.id, changed);
    const [item, { editPoints }] = Object.entries(nearAndFar.sheets[1]!.figure.loose)[0]!;
    await visitor.call(
      'appendToWork',
      append(other.id, 0, done({ name: 'moveEditPoint', item, index: editPoints[0]!, to: [100, 40] })),
    );
    const before = (await openIn(edition.id, same)).document;

    const draft = await teacher.call('draft', { params: { lesson } });
    const commands = [
      { name: 'setSheetTitle', sheet: same, title: 'Other words' },
      { name: 'setStageText', sheet: same, stage: 'first', caption: 'Other words' },
      { name: 'figure', sheet: changed, command: { name: 'renameItem', item, to: 'Rib' } },
    ];
    const steps = commands.map((command) => ({ id: randomUUID(), kind: 'do' as const, command }));
    const { revision } = await teacher.call('appendToDraft', {
      params: { lesson },
      body: { base: draft.revision, steps } as never,
    });
    const { number } = await teacher.call('publish', { params: { lesson }, body: { revision } });

    const newer = () =>
      visitor.call('readLesson', { params: { lesson }, query: { edition: String(number) } });
    const [first, second] = await Promise.all([newer(), newer()]);
    expect(first.progress).toEqual(second.progress);
    expect(first.progress.slice(0, 2)).toMatchObject([
      { sheet: same, title: 'Other words', progress: 'done', passed: ['task'], earlier: null },
      { sheet: changed, progress: 'unopened', passed: [], earlier: edition.number },
    ]);
    const along = await openIn(first.edition.id, same);
    expect(along.id).not.toBe(work.id);
    expect(along.document).toEqual(before);
    expect(along.undoable.length).toBeGreaterThan(0);
    // What is done there is not done in the earlier one.
    await visitor.call('appendToWork', append(along.id, along.revision, { id: randomUUID(), kind: 'undo' }));
    expect((await openIn(first.edition.id, same)).document).not.toEqual(before);
    expect((await openIn(edition.id, same)).document).toEqual(before);
    expect((await openIn(first.edition.id, changed)).revision).toBe(0);
    expect((await openIn(edition.id, changed)).revision).toBe(1);
  });
});
