import { randomUUID } from 'node:crypto';
import type { FigureCommand } from '@bogen/core/figure';
import { figureVersion } from '@bogen/core/figure';
import { nearAndFar } from '@bogen/demo';
import { beforeAll, describe, expect, it } from 'vitest';
import { lessonPage, styleFor } from '../src/lesson/lessonPage.js';
import { nearAndFarOf, TestServer, type Visitor } from './harness.js';

const server = new TestServer('alone');
let teacher: Visitor;
let lesson: string;
let classId: string;
let edition: string;

beforeAll(async () => {
  teacher = await server.signedIn();
  const [course] = (await teacher.call('shelf')).courses;
  lesson = nearAndFarOf(course!.lessons).id;
  classId = course!.classes[0]!.id;
  const reader = await server.student('Ylva Thorne');
  edition = (await reader.call('readLesson', { params: { lesson } })).edition.id;
});

const near = nearAndFar.sheets[0]!;
const solution: FigureCommand = { name: 'moveControlPoint', item: 'waist', index: 4, to: [158, 41.8] };
const done = (command: FigureCommand) => ({ id: randomUUID(), kind: 'do' as const, command });
const move = (to: number[]) => done({ name: 'moveControlPoint', item: 'waist', index: 4, to });
const step = (kind: 'undo' | 'redo') => ({ id: randomUUID(), kind });

const fileOf = (steps: readonly unknown[], more: object = {}) => ({
  format: 'bogen-work',
  version: 1,
  lesson,
  edition,
  title: 'Near and far',
  name: 'Odile Marsh',
  commandVersion: figureVersion,
  works: [{ sheet: near.id, stage: 'first', steps }],
  tasks: [{ sheet: near.id, task: 'task' }],
  ...more,
});

async function newStudent(name: string): Promise<{ visitor: Visitor; id: string }> {
  const visitor = await server.student(name);
  const { students } = await teacher.call('classStudents', { params: { class: classId } });
  return { visitor, id: students.find((student) => student.name === name)!.id };
}
const takeIn = (student: string, file: unknown) =>
  teacher.call('takeInWork', { params: { class: classId }, body: { student, file } });
const refused = async (student: string, file: unknown) =>
  (await teacher.problem('takeInWork', { params: { class: classId }, body: { student, file } })).told.code;
const work = (visitor: Visitor) =>
  visitor.call('openWork', { params: { edition, sheet: near.id, stage: 'first' }, body: {} });

describe('work from a file', () => {
  it('is done again step by step, checked anew, and found by its student', async () => {
    const { visitor, id } = await newStudent('Odile Marsh');
    const file = fileOf([move([10, 10]), step('undo'), done(solution), move([150, 40]), step('undo')]);
    expect(await takeIn(id, file)).toEqual({
      lesson: 'Near and far',
      works: 1,
      tasks: 1,
      passed: 1,
      left: [],
    });
    const opened = await work(visitor);
    expect(opened.revision).toBe(5);
    expect(opened.document.items.find(({ id: item }) => item === 'waist')).toMatchObject({
      curve: { points: expect.arrayContaining([[158, 41.8]]) },
    });
    expect(opened.redoable).toHaveLength(1);
    // The same file once more changes nothing; one with more goes on.
    expect(await takeIn(id, file)).toMatchObject({ works: 1, left: [] });
    expect((await work(visitor)).revision).toBe(5);
    const longer = {
      ...file,
      works: [{ ...file.works[0]!, steps: [...file.works[0]!.steps, move([99, 9])] }],
    };
    expect(await takeIn(id, longer)).toMatchObject({ works: 1, passed: 0, left: [] });
    expect((await work(visitor)).revision).toBe(6);
  });

  it('never overwrites what the student did here', async () => {
    const { visitor, id } = await newStudent('Pell Varga');
    const { id: own } = await work(visitor);
    await visitor.call('appendToWork', {
      params: { work: own },
      body: { base: 0, steps: [move([120, 30])] } as never,
    });
    const { works, left } = await takeIn(id, fileOf([done(solution)]));
    expect({ works, left: left.map(({ told }) => told.code) }).toEqual({ works: 0, left: ['workOwnThere'] });
    expect((await work(visitor)).revision).toBe(1);
  });

  it('does nothing that a student may not do, and goes on with the rest', async () => {
    const { visitor, id } = await newStudent('Quill Amsel');
    const file = fileOf([done({ name: 'setDegree', item: 'waist', degree: 2 })]);
    const { works, tasks, passed, left } = await takeIn(id, {
      ...file,
      works: [...file.works, { sheet: 'gone', stage: 'first', steps: [] }],
    });
    expect({ works, tasks, passed }).toEqual({ works: 0, tasks: 1, passed: 0 });
    expect(left.map(({ told }) => told.code)).toEqual(['notForReaders', 'workStageGone']);
    expect((await work(visitor)).revision).toBe(0);
  });

  it('is refused as a whole where it is none, or of another lesson, or for nobody of the class', async () => {
    const { id } = await newStudent('Rook Tamsin');
    expect(await refused(id, { format: 'something' })).toBe('notAWorkFile');
    expect(await refused(id, null)).toBe('notAWorkFile');
    expect(await refused(id, fileOf([], { edition: randomUUID() }))).toBe('workOfOtherLesson');
    expect(await refused(randomUUID(), fileOf([]))).toBe('studentNotInClass');
    const strange = { id: randomUUID(), kind: 'do', command: { name: 'eval', code: '1' } };
    const { left } = await takeIn(id, fileOf([strange]));
    expect(left.map(({ told }) => told.code)).toEqual(['notAWorkFile']);
  });
});

describe('a lesson as a page', () => {
  it('needs a built application and a published edition', async () => {
    expect((await teacher.problem('lessonPage', { params: { lesson } })).told.code).toBe('pageNotBuilt');
    const { id: course } = await teacher.call('createCourse', { body: { title: 'Bows' } });
    const { id } = await teacher.call('createLesson', {
      params: { course },
      body: { document: { ...nearAndFar } },
    });
    expect((await teacher.problem('lessonPage', { params: { lesson: id } })).told.code).toBe(
      'lessonNotPublished',
    );
  });

  it('has the faces that its letters ask for, each in one form', () => {
    const face = (family: string, range: string, more = '') =>
      `@font-face{font-family:${family};${more}src:url(data:font/woff2;base64,700italicU+0) format("woff2"),url(data:x) format("woff"),url(data:y) format("truetype")${range && `;unicode-range:${range}`}}`;
    const style = [
      face('Literata Variable', 'U+400-45F'),
      face('Literata Variable', 'U+??,U+2000-206F'),
      face('KaTeX_Main', ''),
      face('KaTeX_Main', '', 'font-weight:700;'),
      face('KaTeX_Fraktur', ''),
      'p{color:red}',
    ].join('');
    const kept = styleFor(style, 'Plain words, \\\\frac12');
    expect(kept.match(/font-family:[\w ]+/g)).toEqual([
      'font-family:Literata Variable',
      'font-family:KaTeX_Main',
    ]);
    expect(kept).not.toMatch(/truetype|"woff"/);
    expect(kept).toContain('p{color:red}');
    expect(styleFor(style, '\\\\mathbf x, \\\\mathfrak g, ж').match(/@font-face/g)).toHaveLength(5);
  });

  it('is not there without the built application', () => {
    expect(() => lessonPage('/nowhere', {} as never)).toThrow('not built');
  });
});

describe('a sheet within other pages', () => {
  const sheetOf = async (visitor: Visitor, embedding: string) =>
    visitor.call('embedded', { params: { embedding } });

  it('is handed to anybody once it is opened, alone and without notes, and no longer when it is closed', async () => {
    const open = { params: { lesson, sheet: near.id }, body: { open: true } };
    const { embedding } = await teacher.call('setEmbedding', open);
    expect((await teacher.call('setEmbedding', open)).embedding).toBe(embedding);
    const { sheets } = await teacher.call('embeddings', { params: { lesson } });
    expect(sheets.filter((sheet) => sheet.embedding !== null)).toEqual([
      { id: near.id, title: near.title, embedding },
    ]);
    const { reading } = await sheetOf(server.visitor(), embedding!);
    expect(reading.sheets.map(({ id }) => id)).toEqual([near.id]);
    expect(JSON.stringify(reading)).not.toContain('"notes"');

    expect(await teacher.call('setEmbedding', { ...open, body: { open: false } })).toEqual({
      embedding: null,
    });
    const gone = await server.visitor().problem('embedded', { params: { embedding: embedding! } });
    expect(gone.told.code).toBe('notEmbedded');
    // Opened once more it has another address.
    expect((await teacher.call('setEmbedding', open)).embedding).not.toBe(embedding);
  });

  it('has to be published, and goes with its lesson', async () => {
    const params = { lesson, sheet: 'nowhere' };
    expect((await teacher.problem('setEmbedding', { params, body: { open: true } })).told.code).toBe(
      'sheetNotPublished',
    );
    const { embedding } = await teacher.call('setEmbedding', {
      params: { lesson, sheet: near.id },
      body: { open: true },
    });
    await teacher.call('changeLesson', { params: { lesson }, body: { deleted: true } as never });
    expect(
      (await server.visitor().problem('embedded', { params: { embedding: embedding! } })).told.code,
    ).toBe('notEmbedded');
    await teacher.call('changeLesson', { params: { lesson }, body: { deleted: false } as never });
    expect((await sheetOf(server.visitor(), embedding!)).reading.lesson).toBe(lesson);
  });
});
