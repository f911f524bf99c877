import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyFigure } from '../../src/figure/document/document.js';
import { advance, CommandError, startHistory, type History, type Step } from '../../src/history/history.js';
import { applyLessonCommand } from '../../src/lesson/applyCommand.js';
import type { LessonCommand } from '../../src/lesson/command/commands.js';
import { lessonVersion, newSheet, type LessonDocument, type Sheet } from '../../src/lesson/lesson.js';
import { emptyProse } from '../../src/lesson/prose/prose.js';
import { validateLesson } from '../../src/lesson/validate.js';
import { holds } from '../holds.js';

const sheet = (id: string): Sheet => newSheet({ id, title: id, figure: emptyFigure() });
const lesson: LessonDocument = {
  version: lessonVersion,
  title: 'Lesson',
  sheets: [sheet('one'), sheet('two'), sheet('three')],
};

const sheetId = fc.constantFrom('one', 'two', 'three', 'four');
const commands: fc.Arbitrary<LessonCommand> = fc.oneof(
  fc.record({ name: fc.constant('setTitle' as const), title: fc.constantFrom('X', 'Y', 'Z') }),
  fc.record({
    name: fc.constant('setSheetTitle' as const),
    sheet: sheetId,
    title: fc.constantFrom('X', 'Y'),
  }),
  fc.record({ name: fc.constant('moveSheet' as const), sheet: sheetId, to: fc.integer({ min: 0, max: 3 }) }),
  fc.record({ name: fc.constant('removeSheet' as const), sheet: sheetId }),
  fc.record({
    name: fc.constant('addSheet' as const),
    sheet: fc.constant(sheet('four')),
    at: fc.integer({ min: 0, max: 3 }),
  }),
  fc.record({
    name: fc.constant('setStageText' as const),
    sheet: sheetId,
    stage: fc.constant('first'),
    caption: fc.constantFrom('X', 'Y'),
  }),
  fc.record({
    name: fc.constant('figure' as const),
    sheet: sheetId,
    command: fc.record({ name: fc.constant('setShown' as const), shown: fc.record({ comb: fc.boolean() }) }),
  }),
);

const step = (history: History<LessonDocument, LessonCommand>, next: Step<LessonCommand>) =>
  advance(history, next, applyLessonCommand).history;

/** Takes commands as they come, passing over those that do not fit. */
function run(list: readonly LessonCommand[]): History<LessonDocument, LessonCommand> {
  let history: History<LessonDocument, LessonCommand> = startHistory(lesson);
  list.forEach((command, index) => {
    try {
      history = step(history, { id: String(index), kind: 'do', command });
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
    }
  });
  return history;
}

describe('history', () => {
  it('undone to its beginning is the document it began with, and redone to its end the one it ended with', () => {
    holds(
      fc.property(fc.array(commands, { maxLength: 12 }), (list) => {
        let history = run(list);
        const end = history.document;
        const count = history.undoable.length;
        for (let k = 0; k < count; k++) history = step(history, { id: '', kind: 'undo' });
        expect(history.document).toEqual(lesson);
        for (let k = 0; k < count; k++) history = step(history, { id: '', kind: 'redo' });
        expect(history.document).toEqual(end);
      }),
    );
  });

  it('tells what each step came down to', () => {
    const title = { name: 'setTitle', title: 'X' } as const;
    const done = advance<LessonDocument, LessonCommand>(
      startHistory(lesson),
      { id: 'a', kind: 'do', command: title },
      applyLessonCommand,
    );
    expect(done.effect).toBe(title);
    const undone = advance(done.history, { id: 'b', kind: 'undo' }, applyLessonCommand);
    expect(undone.effect).toEqual({ name: 'setTitle', title: 'Lesson' });
    expect(advance(undone.history, { id: 'c', kind: 'redo' }, applyLessonCommand).effect).toBe(title);
  });

  it('says so when there is nothing to undo or redo', () => {
    expect(() =>
      advance<LessonDocument, LessonCommand>(
        startHistory(lesson),
        { id: '', kind: 'undo' },
        applyLessonCommand,
      ),
    ).toThrow(/nothing to undo/);
    expect(() =>
      advance<LessonDocument, LessonCommand>(
        startHistory(lesson),
        { id: '', kind: 'redo' },
        applyLessonCommand,
      ),
    ).toThrow(/nothing to redo/);
  });
});

describe('lesson commands', () => {
  it('leave untouched sheets the same objects', () => {
    const { document } = applyLessonCommand(lesson, { name: 'setSheetTitle', sheet: 'two', title: 'New' });
    expect(document.sheets[0]).toBe(lesson.sheets[0]);
    expect(document.sheets[1]!.title).toBe('New');
  });
  it.each<[string, LessonCommand, RegExp]>([
    ['an empty title', { name: 'setTitle', title: '  ' }, /must not be empty/],
    [
      'a sheet that is gone',
      { name: 'setProse', sheet: 'nine', prose: emptyProse },
      /no longer in the lesson/,
    ],
    ['a sheet id twice', { name: 'addSheet', sheet: sheet('one'), at: 0 }, /ids must be unique/],
    ['a very long title', { name: 'setTitle', title: 'x'.repeat(201) }, /200 characters/],
  ])('refuse %s', (_, command, sentence) => {
    expect(() => applyLessonCommand(lesson, command)).toThrow(sentence);
  });
  it('refuse to take the last sheet away', () => {
    const single = { ...lesson, sheets: [sheet('one')] };
    expect(() => applyLessonCommand(single, { name: 'removeSheet', sheet: 'one' })).toThrow(
      /at least one sheet/,
    );
    expect(() => validateLesson({ ...lesson, sheets: [] })).toThrow(/at least one sheet/);
  });
});
