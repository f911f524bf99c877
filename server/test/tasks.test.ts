import { randomUUID } from 'node:crypto';
import {
  checkTask,
  figureOfStage,
  firstStageId,
  seedFrom,
  sheetFor,
  sheetOf,
  variedSheet,
  type LessonCommand,
  type LessonDocument,
  type Task,
  type TaskAnswer,
} from '@bogen/core/lesson';
import { figureVersion, type FigureCommand } from '@bogen/core/figure';
import { attemptsOn, demoLessons, nearAndFar } from '@bogen/demo';
import { beforeAll, describe, expect, it } from 'vitest';
import { nearAndFarOf, TestServer, type Visitor } from './harness.js';

const server = new TestServer('tasks');
const sheet = nearAndFar.sheets[0]!;
const any = { stage: firstStageId, prompt: 'Say.', hints: [] };
const tasks: Task[] = [
  {
    ...any,
    id: 'number',
    kind: 'number',
    measure: { of: 'coordinate', item: 'waist', point: 'controlPoints', index: 6, axis: 1 },
    tolerance: 0.01,
    varied: [{ of: 'point', item: 'waist', point: 'controlPoints', index: 6, by: 4 }],
  },
  {
    ...any,
    id: 'choice',
    kind: 'choice',
    choices: [
      { text: 'four spans', isRight: true },
      { text: 'all', reason: 'Its support is local.' },
    ],
  },
  { ...any, id: 'order', kind: 'order', entries: [{ text: 'first' }, { text: 'then' }, { text: 'last' }] },
  {
    ...any,
    id: 'prediction',
    kind: 'prediction',
    to: 'moved',
    questions: [{ of: 'place', item: 'waist', point: 'controlPoints', index: 3, within: 1 }],
  },
];

let lesson: string;
let document: LessonDocument;
let visitor: Visitor;

beforeAll(async () => {
  const teacher = await server.signedIn();
  const [course] = (await teacher.call('shelf')).courses;
  lesson = nearAndFarOf(course!.lessons).id;
  const draft = await teacher.call('draft', { params: { lesson } });
  const commands: LessonCommand[] = [
    {
      name: 'changeStages',
      sheet: sheet.id,
      at: 1,
      remove: 0,
      insert: [
        {
          id: 'moved',
          caption: '',
          commands: [{ name: 'moveControlPoint', item: 'waist', index: 3, to: [130, 60] }],
        },
      ],
    },
    { name: 'changeTasks', sheet: sheet.id, at: 0, remove: 1, insert: tasks },
  ];
  const steps = commands.map((command) => ({ id: randomUUID(), kind: 'do' as const, command }));
  const { revision } = await teacher.call('appendToDraft', {
    params: { lesson },
    body: { base: draft.revision, steps } as never,
  });
  await teacher.call('publish', { params: { lesson }, body: { revision } });
  document = (await teacher.call('draft', { params: { lesson } })).document;
  visitor = await server.student('Orla Finch');
});

const read = (who: Visitor) => who.call('readLesson', { params: { lesson } });
async function open(who: Visitor) {
  const { edition } = await read(who);
  return who.call('openWork', {
    params: { edition: edition.id, sheet: sheet.id, stage: firstStageId },
    body: {},
  });
}
async function check(who: Visitor, task: string, answer?: TaskAnswer) {
  const { edition } = await read(who);
  const params = { edition: edition.id, sheet: sheet.id, task };
  return who.call('checkTask', { params, body: answer ? { answer: answer as never } : {} });
}

const pointsOf = (figure: object): readonly (readonly number[])[] =>
  (figure as { items: { curve: { points: number[][] } }[] }).items[0]!.curve.points;
const moved = (to: readonly number[]) => ({
  id: randomUUID(),
  kind: 'do' as const,
  command: { name: 'moveControlPoint', item: 'waist', index: 4, to },
});
/** A new student, and who has them at the class desk. */
async function atDesk(name: string) {
  const teacher = await server.signedIn();
  const [course] = (await teacher.call('shelf')).courses;
  const params = { class: course!.classes[0]!.id };
  const own = await server.student(name);
  const { students } = await teacher.call('classStudents', { params });
  return {
    teacher,
    params,
    student: { visitor: own, id: students.find((student) => student.name === name)!.id },
  };
}

describe('a task in which a number counts', () => {
  it('tells who has met it what they came to, beside the best of the class, and nobody else', async () => {
    const teacher = await server.signedIn();
    const [course] = (await teacher.call('shelf')).courses;
    const camber = course!.lessons.find(({ title }) => title === 'Degree or spans')!.id;
    const reading = (who: Visitor) => who.call('readLesson', { params: { lesson: camber } });
    const demo = demoLessons.find(({ document: of }) => of.title === 'Degree or spans')!;
    const shown = demo.document.sheets.find(({ id }) => id === 'fit')!;
    const [solved] = shown.stages.slice(-1);
    /** Does what is given, and has it checked. */
    const tries = async (who: Visitor, commands: readonly FigureCommand[]) => {
      const { edition } = await reading(who);
      const at = { edition: edition.id, sheet: 'fit' };
      const work = await who.call('openWork', { params: { ...at, stage: firstStageId }, body: {} });
      const steps = commands.map((command) => ({ id: randomUUID(), kind: 'do' as const, command }));
      if (steps.length > 0)
        await who.call('appendToWork', {
          params: { work: work.id },
          body: { base: work.revision, steps } as never,
        });
      await who.call('checkTask', { params: { ...at, task: 'camber' }, body: {} });
      return (await reading(who)).progress.find(({ sheet: id }) => id === 'fit')!.best['camber'];
    };
    const more = attemptsOn(demo, 'fit', 'camber').right.at(-1)!;
    const [first, second] = [await server.student('Ada Plane'), await server.student('Bea Gouge')];
    expect(await tries(first, [])).toBeUndefined();
    const own = await tries(first, more.commands!);
    // The made-up class has done it with five points.
    expect(own).toMatchObject({ own: 6, ofClass: 5 });
    expect(await tries(second, solved!.commands)).toEqual({
      own: 5,
      ofClass: 5,
      students: own!.students + 1,
    });
    // A worse one later does not count.
    await second.call('checkTask', {
      params: { edition: (await reading(second)).edition.id, sheet: 'fit', task: 'camber' },
      body: {},
    });
    expect((await reading(first)).progress.find(({ sheet: id }) => id === 'fit')!.best['camber']).toEqual({
      own: 6,
      ofClass: 5,
      students: own!.students + 1,
    });
  });
});

describe('a task that is answered', () => {
  it('is judged on the server as in the browser, whatever is answered', async () => {
    const work = await open(visitor);
    const { sheets } = await read(visitor);
    const own = sheets[0]! as never;
    const answers: TaskAnswer[] = [
      {
        kind: 'number',
        value: (work.document.items[0] as never as { curve: { points: number[][] } }).curve.points[6]![1]!,
      },
      { kind: 'number', value: 1e300 },
      { kind: 'choice', chosen: [0] },
      { kind: 'choice', chosen: [1, 0] },
      { kind: 'order', order: [0, 1, 2] },
      { kind: 'order', order: [2, 1, 0] },
      { kind: 'prediction', guesses: [{ of: 'place', at: [130.5, 60] }] },
      { kind: 'prediction', guesses: [{ of: 'place', at: [0, 0] }] },
      { kind: 'prediction', guesses: [null] },
    ];
    for (const task of tasks)
      for (const answer of answers) {
        const there = await check(visitor, task.id, answer);
        const here = checkTask(own, task, { start: work.document, figure: work.document, answer });
        expect(there.results, `${task.id} ${JSON.stringify(answer)}`).toEqual(here);
        expect(there.passed).toBe(here.every(({ met }) => met));
      }
    expect((await read(visitor)).progress[0]).toMatchObject({
      passed: expect.arrayContaining(['number', 'choice', 'order', 'prediction']),
      progress: 'done',
      answers: { prediction: answers.at(-1) },
    });
  });

  it('keeps the last answer for another device, and shows it to the instructor', async () => {
    const other = await server.student('Pia Wren');
    const work = await open(other);
    await check(other, 'choice', { kind: 'choice', chosen: [1] });
    expect((await read(other)).progress[0]!.answers).toEqual({ choice: { kind: 'choice', chosen: [1] } });
    const teacher = await server.signedIn();
    const [course] = (await teacher.call('shelf')).courses;
    const left = await teacher.call('studentWork', {
      params: { class: course!.classes[0]!.id, work: work.id },
    });
    expect(left.answers).toEqual({ choice: { kind: 'choice', chosen: [1] } });
  });

  it('refuses what is no answer', async () => {
    const { edition } = await read(visitor);
    const params = { edition: edition.id, sheet: sheet.id, task: 'choice' };
    for (const answer of [
      { kind: 'choice', chosen: Array.from({ length: 5000 }, () => 0) },
      { kind: 'choice', chosen: [-1] },
      { kind: 'number', value: 'many' },
      { kind: 'shape' },
      { kind: 'prediction', guesses: [{ of: 'drawn', places: Array.from({ length: 5000 }, () => [0, 0]) }] },
    ])
      expect(await visitor.problem('checkTask', { params, body: { answer } as never })).toMatchObject({
        type: 'bad-request',
      });
  });
});

describe('numbers of one’s own', () => {
  it('are drawn for each student, the same each time, and nobody is told how', async () => {
    const places = new Set<string>();
    for (const name of ['Quill Ade', 'Rae Sol', 'Sam Toll', 'Tove Ek']) {
      const who = await server.student(name);
      const { sheets } = await read(who);
      const figure = sheets[0]!.figure as never as { items: { curve: { points: number[][] } }[] };
      places.add(JSON.stringify(figure.items[0]!.curve.points[6]));
      expect(sheets[0]!.tasks.every((task) => !('varied' in task))).toBe(true);
      // What they work on is what they read.
      expect((await open(who)).document).toEqual(sheets[0]!.figure);
      expect((await read(who)).sheets).toEqual(sheets);
    }
    expect(places.size).toBeGreaterThan(1);
  });

  it('come along from a file as they were drawn there, unless something was done on one’s own', async () => {
    const { teacher, params, student } = await atDesk('Uma Brandt');
    const { visitor: who, id } = student;
    const drawnBy = randomUUID();
    const drawn = sheetFor(sheetOf(document, sheet.id)!, drawnBy);
    const [, value] = pointsOf(drawn.figure)[6]!;
    const { edition } = await read(who);
    // Who has only looked has another figure so far.
    await open(who);
    const file = {
      format: 'bogen-work',
      version: 1,
      lesson,
      edition: edition.id,
      title: 'Near and far',
      name: 'Uma',
      commandVersion: figureVersion,
      drawnBy,
      works: [{ sheet: sheet.id, stage: firstStageId, steps: [moved([150, 40])] }],
      tasks: [{ sheet: sheet.id, task: 'number', answer: { kind: 'number', value } }],
    };
    const takeIn = (given: object) =>
      teacher.call('takeInWork', { params, body: { student: id, file: given } });
    const { drawnBy: _, ...undrawn } = file;
    expect((await takeIn(undrawn)).left.map(({ told }) => told.code)).toEqual(['workVaried']);
    expect(await takeIn(file)).toMatchObject({ works: 1, tasks: 1, passed: 1, left: [] });
    expect((await read(who)).sheets[0]!.figure).toEqual(drawn.figure);
    const opened = await open(who);
    expect(opened.revision).toBe(1);
    expect(pointsOf(opened.document)).toEqual(pointsOf(drawn.figure).with(4, [150, 40]));
    // Another stage of the sheet is drawn in the same way.
    const later = await who.call('openWork', {
      params: { edition: edition.id, sheet: sheet.id, stage: 'moved' },
      body: {},
    });
    expect(later.document).toEqual(figureOfStage(drawn, 'moved'));
    expect(await takeIn(file)).toMatchObject({ works: 1, left: [] });
    const other = await takeIn({ ...file, drawnBy: randomUUID() });
    expect(other.left.map(({ told }) => told.code)).toEqual(['workOwnThere']);
    expect((await open(who)).revision).toBe(1);
  });

  it('stay with the work of a student who turns out to be another one', async () => {
    const { teacher, student: into } = await atDesk('Vera Lund');
    const { params, student: from } = await atDesk('Vera Lunde');
    const { sheets } = await read(from.visitor);
    const { id: work } = await open(from.visitor);
    await from.visitor.call('appendToWork', {
      params: { work },
      body: { base: 0, steps: [moved([151, 41])] } as never,
    });
    await teacher.call('mergeStudents', {
      params: { class: params.class, student: into.id },
      body: { from: from.id },
    });
    expect((await read(into.visitor)).sheets[0]!.figure).toEqual(sheets[0]!.figure);
    const [, value] = pointsOf(sheets[0]!.figure as never)[6]!;
    expect(await check(into.visitor, 'number', { kind: 'number', value: value! })).toMatchObject({
      passed: true,
    });
  });

  it('are those of the same seed everywhere, later stages too', () => {
    const own = sheetOf(document, sheet.id)!;
    const [one, again] = [variedSheet(own, seedFrom('a')), variedSheet(own, seedFrom('a'))];
    expect(figureOfStage(one, 'moved')).toEqual(figureOfStage(again, 'moved'));
    expect(figureOfStage(one, 'moved')).not.toEqual(figureOfStage(variedSheet(own, seedFrom('b')), 'moved'));
  });
});
