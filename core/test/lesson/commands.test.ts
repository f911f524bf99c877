import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { emptyFigure } from '../../src/figure/document/document.js';
import { CommandError } from '../../src/history/history.js';
import { pathsMeet } from '../../src/history/touches.js';
import { applyLessonCommand, sheetOfCommand, touchesOfLessonCommand } from '../../src/lesson/applyCommand.js';
import { lessonCommands, type LessonCommand } from '../../src/lesson/command/commands.js';
import { backTo, lessonDifference } from '../../src/lesson/difference.js';
import {
  lessonVersion,
  newSheet,
  type LessonDocument,
  type Sheet,
  type Stage,
} from '../../src/lesson/lesson.js';
import { isAllowedAddress } from '../../src/lesson/prose/address.js';
import { emptyProse, type Prose } from '../../src/lesson/prose/prose.js';
import type { Task } from '../../src/lesson/task/tasks.js';
import { validateLesson } from '../../src/lesson/validate.js';
import { usualNotation } from '../../src/notation/notation.js';
import { holds } from '../holds.js';

const comb = (shown: boolean): FigureCommand => ({ name: 'setShown', shown: { comb: shown } });
const text = (words: string): Prose => ({
  type: 'doc',
  content: [{ type: 'paragraph', content: words === '' ? [] : [{ type: 'text', text: words }] }],
});
const sheet = (id: string): Sheet =>
  newSheet({
    id,
    title: id,
    prose: text('Some words.'),
    figure: emptyFigure(),
    stages: [
      { id: 'first', caption: '', commands: [] },
      { id: 'second', caption: 'The comb', notes: 'Ask first.', commands: [comb(true), comb(false)] },
      { id: 'third', caption: '', commands: [comb(true)] },
    ],
  });
const lesson: LessonDocument = {
  version: lessonVersion,
  title: 'Lesson',
  sheets: ['one', 'two', 'three'].map(sheet),
};

const sheetId = fc.constantFrom('one', 'two', 'three', 'gone');
const stageId = fc.constantFrom('first', 'second', 'third', 'gone');
const stage = (id: string): Stage => ({ id, caption: 'Else', commands: [comb(true)] });
const task = (id: string): Task => ({
  kind: 'shape',
  id,
  stage: 'first',
  prompt: 'Do',
  hints: [],
  conditions: [],
});
const words = fc.string({ maxLength: 10 });
const place = fc.integer({ min: 0, max: 4 });

/** Random commands of each kind, some of which do not fit; a new kind does not compile without its own. */
const commands: {
  readonly [Name in LessonCommand['name']]: fc.Arbitrary<Extract<LessonCommand, { readonly name: Name }>>;
} = {
  setTitle: fc.record({ name: fc.constant('setTitle'), title: words }),
  setNotation: fc.record(
    {
      name: fc.constant('setNotation'),
      notation: fc.constantFrom(1, 4).map((decimals) => ({ ...usualNotation, first: 1 as const, decimals })),
    },
    { requiredKeys: ['name'] },
  ),
  addSheet: fc.record({ name: fc.constant('addSheet'), sheet: sheetId.map(sheet), at: place }),
  removeSheet: fc.record({ name: fc.constant('removeSheet'), sheet: sheetId }),
  moveSheet: fc.record({ name: fc.constant('moveSheet'), sheet: sheetId, to: place }),
  setSheetTitle: fc.record({ name: fc.constant('setSheetTitle'), sheet: sheetId, title: words }),
  setProse: fc.record({ name: fc.constant('setProse'), sheet: sheetId, prose: words.map(text) }),
  editProse: fc.record({
    name: fc.constant('editProse'),
    sheet: sheetId,
    steps: fc.array(
      fc.oneof(
        fc
          .record({ at: fc.integer({ min: 0, max: 14 }), words: fc.string({ minLength: 1, maxLength: 5 }) })
          .map(({ at, words: typed }) => ({
            stepType: 'replace' as const,
            from: at,
            to: at,
            slice: { content: [{ type: 'text' as const, text: typed }] },
          })),
        fc.integer({ min: 0, max: 12 }).map((from) => ({ stepType: 'replace' as const, from, to: from + 2 })),
        fc.integer({ min: 1, max: 10 }).map((from) => ({
          stepType: 'addMark' as const,
          mark: { type: 'bold' as const },
          from,
          to: from + 2,
        })),
      ),
      { minLength: 1, maxLength: 4 },
    ),
  }),
  changeTasks: fc.record({
    name: fc.constant('changeTasks'),
    sheet: sheetId,
    at: place,
    remove: place,
    insert: fc.array(fc.constantFrom('a', 'b').map(task), { maxLength: 2 }),
  }),
  changeStages: fc.record(
    {
      name: fc.constant('changeStages'),
      sheet: sheetId,
      at: place,
      remove: place,
      insert: fc.array(fc.constantFrom('new', 'second').map(stage), { maxLength: 2 }),
      figure: fc.constant(emptyFigure()),
      later: fc.array(fc.constantFrom('new', 'third', 'gone').map(stage), { maxLength: 2 }),
    },
    { requiredKeys: ['name', 'sheet', 'at', 'remove', 'insert'] },
  ),
  stageCommands: fc.record(
    {
      name: fc.constant('stageCommands'),
      sheet: sheetId,
      stage: stageId,
      at: place,
      remove: place,
      insert: fc.array(fc.boolean().map(comb), { maxLength: 2 }),
      later: fc.array(fc.constantFrom('second', 'third').map(stage), { maxLength: 2 }),
    },
    { requiredKeys: ['name', 'sheet', 'stage', 'at', 'remove', 'insert'] },
  ),
  setStageText: fc.record(
    {
      name: fc.constant('setStageText'),
      sheet: sheetId,
      stage: stageId,
      caption: words,
      notes: words,
    },
    { requiredKeys: ['name', 'sheet', 'stage'] },
  ),
  figure: fc.record({
    name: fc.constant('figure'),
    sheet: sheetId,
    command: fc.record({
      name: fc.constant('setShown' as const),
      shown: fc.record({ comb: fc.boolean() }),
    }),
  }),
  setContents: fc.record({
    name: fc.constant('setContents'),
    title: words,
    sheets: fc
      .uniqueArray(fc.constantFrom('one', 'two', 'four'), { minLength: 1, maxLength: 3 })
      .map((ids) => ids.map(sheet)),
    gone: fc.subarray(['one', 'two', 'three'], { minLength: 1 }),
  }),
};

const names = Object.keys(lessonCommands) as LessonCommand['name'][];

describe('every lesson command', () => {
  it.each(names)(
    '%s is taken back exactly, also after it was stored as text, and tells what it touches',
    (name) => {
      let fitted = 0;
      holds(
        fc.property(commands[name] as fc.Arbitrary<LessonCommand>, (given) => {
          const command = JSON.parse(JSON.stringify(given)) as LessonCommand;
          let applied;
          try {
            applied = applyLessonCommand(lesson, command);
          } catch (error) {
            expect(error).toBeInstanceOf(CommandError);
            return;
          }
          fitted++;
          validateLesson(applied.document);
          const inverse = JSON.parse(JSON.stringify(applied.inverse)) as LessonCommand;
          const back = applyLessonCommand(applied.document, inverse).document;
          expect(JSON.parse(JSON.stringify(back))).toEqual(JSON.parse(JSON.stringify(lesson)));
          const touched = touchesOfLessonCommand(command);
          for (const one of lesson.sheets)
            if (!pathsMeet(touched, [one.id])) expect(applied.document.sheets).toContain(one);
          const changed = sheetOfCommand(command);
          if (changed) expect(pathsMeet(touched, [changed])).toBe(true);
        }),
        { numRuns: 150, least: 150 },
      );
      expect(fitted).toBeGreaterThan(10);
    },
  );
});

describe('prose', () => {
  it.each<[string, unknown]>([
    ['a list without entries', { type: 'doc', content: [{ type: 'bulletList', content: [] }] }],
    ['text beside blocks', { type: 'doc', content: [{ type: 'text', text: 'loose' }] }],
    [
      'a paragraph in a paragraph',
      { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'paragraph' }] }] },
    ],
    ['an unknown node', { type: 'doc', content: [{ type: 'table' }] }],
    ['nothing', { type: 'doc', content: [] }],
  ])('that could not be shown is refused: %s', (_, prose) => {
    const command = { name: 'setProse', sheet: 'one', prose: prose as Prose } as const;
    expect(() => applyLessonCommand(lesson, command)).toThrow(/structure/);
  });

  const words = (content: string, ...marks: unknown[]) => ({ type: 'text', text: content, marks });
  const paragraph = (...content: unknown[]) =>
    ({ type: 'doc', content: [{ type: 'paragraph', content }] }) as Prose;
  const link = (href: string) => words('words', { type: 'link', attrs: { href } });

  it.each([
    'javascript:alert(1)',
    ' javascript:alert(1)',
    'java\nscript:alert(1)',
    'JAVASCRIPT:alert(1)',
    'data:text/html,<script>',
    'vbscript:x',
    'file:///etc/passwd',
    '//evil.example/x',
    '/shelf',
    'https://a.example/\u0000x',
    'ftp://a.example',
    '',
  ])('leads nowhere but to pages and mail: %s', (href) => {
    expect(isAllowedAddress(href)).toBe(false);
    const prose = paragraph(link(href));
    expect(() => applyLessonCommand(lesson, { name: 'setProse', sheet: 'one', prose })).toThrow(
      /can lead to a page/,
    );
    // Nor by a small step of the editor.
    const step = { stepType: 'addMark', mark: { type: 'link', attrs: { href } }, from: 1, to: 5 } as const;
    expect(() => applyLessonCommand(lesson, { name: 'editProse', sheet: 'one', steps: [step] })).toThrow(
      /can lead to a page/,
    );
  });

  it.each<[string, Prose]>([
    ['links', paragraph(link('https://ellerbrook.example/a?b=c#d'), link('mailto:a@ellerbrook.example'))],
    [
      'words that point',
      paragraph(words('it', { type: 'pointing', attrs: { targets: [{ of: 'item', item: 'a' }] } })),
    ],
    [
      'live values',
      paragraph({ type: 'liveValue', attrs: { measure: { of: 'cursor', item: 'a' }, digits: 2 } }),
    ],
    [
      'callouts and quotations',
      {
        type: 'doc',
        content: [
          { type: 'callout', attrs: { callout: 'try' }, content: [{ type: 'paragraph' }] },
          { type: 'blockquote', content: [{ type: 'paragraph' }] },
        ],
      },
    ],
  ])('can hold %s', (_, prose) => {
    const { document } = applyLessonCommand(lesson, { name: 'setProse', sheet: 'one', prose });
    expect(document.sheets[0]!.prose).toEqual(prose);
  });

  it('of an empty sheet is a paragraph', () => {
    expect(() =>
      validateLesson({ ...lesson, sheets: [{ ...sheet('one'), prose: emptyProse }] }),
    ).not.toThrow();
  });
});

describe('a lesson as it was', () => {
  const renamed: LessonDocument = {
    ...lesson,
    title: 'Other',
    sheets: [
      { ...lesson.sheets[1]!, title: 'Renamed', prose: text('Else.') },
      lesson.sheets[0]!,
      sheet('four'),
    ],
  };

  it('is told apart from how it is, sheet by sheet', () => {
    expect(lessonDifference(lesson, renamed)).toEqual({
      isTitleChanged: true,
      isNotationChanged: false,
      sheets: [
        { sheet: 'two', title: 'Renamed', kind: 'changed', parts: ['title', 'prose', 'place'] },
        { sheet: 'one', title: 'one', kind: 'changed', parts: ['place'] },
        { sheet: 'four', title: 'four', kind: 'added', parts: [] },
        { sheet: 'three', title: 'three', kind: 'removed', parts: [] },
      ],
    });
    // What was stored has its keys in another order, and is no other lesson.
    const stored = JSON.parse(
      JSON.stringify(lesson, (_, part: unknown) =>
        typeof part === 'object' && part !== null && !Array.isArray(part)
          ? Object.fromEntries(Object.entries(part).reverse())
          : part,
      ),
    ) as LessonDocument;
    const nothing = { isTitleChanged: false, isNotationChanged: false, sheets: [] };
    expect(lessonDifference(lesson, stored)).toEqual(nothing);
    // The usual notation is the same whether it is said or not.
    expect(lessonDifference(lesson, { ...lesson, notation: usualNotation })).toEqual(nothing);
    expect(
      lessonDifference(lesson, { ...lesson, notation: { ...usualNotation, first: 1 } }).isNotationChanged,
    ).toBe(true);
  });

  it('is brought back by one command, and so is what came after it', () => {
    const { document, inverse } = applyLessonCommand(renamed, backTo(renamed, lesson));
    expect(document).toEqual(lesson);
    expect(applyLessonCommand(document, inverse).document).toEqual(renamed);
    // A sheet that came in meanwhile is not lost by it.
    const meanwhile = { ...renamed, sheets: [...renamed.sheets, sheet('five')] };
    expect(() => applyLessonCommand(meanwhile, backTo(renamed, lesson))).toThrow(CommandError);
  });
});
