import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import { differenceOf } from '../../src/figure/change/difference.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { itemOf, type FigureDocument } from '../../src/figure/document/document.js';
import type { CurveItem } from '../../src/figure/document/item.js';
import { operate } from '../../src/figure/operation/operate.js';
import { CommandError } from '../../src/history/history.js';
import { applyLessonCommand } from '../../src/lesson/applyCommand.js';
import type { LessonCommand } from '../../src/lesson/command/commands.js';
import {
  lessonVersion,
  newSheet,
  type LessonDocument,
  type Sheet,
  type Stage,
} from '../../src/lesson/lesson.js';
import { migrateLesson, migrateLessonCommand } from '../../src/lesson/migrateLesson.js';
import {
  addStage,
  changeAtStage,
  leaveOut,
  mergeWithNext,
  moveStage,
  removeStage,
  splitStage,
  takeAsKept,
} from '../../src/lesson/stage/changes.js';
import { figureOfStage, stageStates } from '../../src/lesson/stage/states.js';
import { validateLesson } from '../../src/lesson/validate.js';
import { commandNames, commandsOf, curve, figure } from '../figure/randomCommands.js';
import { holds } from '../holds.js';

const move = (index: number, to: number[]): FigureCommand => ({
  name: 'moveControlPoint',
  item: 'a',
  index,
  to,
});
const knotIn = (u: number): FigureCommand => {
  const operation = { name: 'insertKnot', source: 'a', parameter: u, times: 1 } as const;
  return { name: 'operate', item: 'a', operation, curve: insertKnot(curve, u) };
};
const stage = (id: string, ...commands: FigureCommand[]): Stage => ({ id, caption: id, commands });
const sheetWith = (...stages: Stage[]): Sheet =>
  newSheet({ id: 's', title: 'S', figure, stages: [stage('first'), ...stages] });
const lessonOf = (sheet: Sheet): LessonDocument => ({ version: lessonVersion, title: 'L', sheets: [sheet] });
const stored = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The sheet after a command, which is taken back exactly. */
function after(sheet: Sheet, command: LessonCommand | undefined): Sheet {
  const lesson = lessonOf(sheet);
  const { document, inverse } = applyLessonCommand(lesson, stored(command!));
  validateLesson(document);
  expect(stored(applyLessonCommand(document, stored(inverse)).document)).toEqual(stored(lesson));
  return document.sheets[0]!;
}
const shown = (sheet: Sheet): readonly FigureDocument[] =>
  stageStates(sheet).map(({ figure: state }) => stored(state));
const pointsAt = (sheet: Sheet, id: string): readonly (readonly number[])[] =>
  (itemOf(figureOfStage(sheet, id), 'a') as CurveItem).curve.points;

const three = sheetWith(stage('knot', knotIn(0.5)), stage('moved', move(1, [12, 30])));

describe('stages', () => {
  it('show what was done between them', () => {
    expect(pointsAt(three, 'first')).toHaveLength(6);
    expect(pointsAt(three, 'knot')).toEqual(insertKnot(curve, 0.5).points);
    expect(pointsAt(three, 'moved')[1]).toEqual([12, 30]);
    expect(stageStates(three).some(({ broken }) => broken)).toBe(false);
  });

  it('follow when an earlier one is changed: an operation is done again on what its curve is now', () => {
    const changed = after(three, changeAtStage(three, 'first', move(5, [95, 40])));
    const bent = { ...curve, points: curve.points.with(5, [95, 40]) };
    expect(pointsAt(changed, 'knot')).toEqual(insertKnot(bent, 0.5).points);
    expect(pointsAt(changed, 'moved')).toEqual(insertKnot(bent, 0.5).points.with(1, [12, 30]));
  });

  it('hold a point that is moved twice as one change, and two points as two', () => {
    let sheet = after(three, changeAtStage(three, 'moved', move(1, [13, 31])));
    expect(sheet.stages[2]!.commands).toEqual([move(1, [13, 31])]);
    sheet = after(sheet, changeAtStage(sheet, 'moved', move(2, [33, 31])));
    expect(sheet.stages[2]!.commands).toEqual([move(1, [13, 31]), move(2, [33, 31])]);
  });

  it('that can’t follow any more say so and keep what they showed until they are mended', () => {
    const before = pointsAt(three, 'knot');
    const broken = after(three, changeAtStage(three, 'first', { name: 'setDegree', item: 'a', degree: 5 }));
    // The knot can still come in at degree 5, but the curve can be taken away under it.
    expect(stageStates(broken)[1]!.broken).toBeUndefined();
    const gone = after(
      three,
      changeAtStage(three, 'first', {
        name: 'batch',
        commands: [
          { name: 'removeItem', item: 'b' },
          { name: 'removeItem', item: 'a' },
        ],
      }),
    );
    expect(stageStates(gone)[1]!.broken).toMatchObject({ command: 0, told: { code: 'noItem' } });
    expect(pointsAt(gone, 'knot')).toEqual(before);
    // The one after it follows from what was kept.
    expect(stageStates(gone)[2]!.broken).toBeUndefined();
    expect(pointsAt(gone, 'moved')[1]).toEqual([12, 30]);
    // Other changes of the beginning keep what was kept.
    const more = after(gone, changeAtStage(gone, 'first', { name: 'removeItem', item: 's' }));
    expect(pointsAt(more, 'knot')).toEqual(before);

    const without = after(gone, leaveOut(gone, 'knot', 0));
    expect(stageStates(without)[1]!.broken).toBeUndefined();
    expect(itemOf(figureOfStage(without, 'knot'), 'a')).toBeUndefined();

    const asKept = after(gone, takeAsKept(gone, 'knot'));
    expect(stageStates(asKept).some(({ broken: why }) => why)).toBe(false);
    expect(stored(figureOfStage(asKept, 'knot'))).toEqual(stored(figureOfStage(gone, 'knot')));
    expect(asKept.stages[1]!.kept).toBeUndefined();
  });

  it('are added, merged, split, moved and removed', () => {
    const added = after(three, addStage(three, 'knot', stage('new', move(0, [1, 1]))));
    expect(added.stages.map(({ id }) => id)).toEqual(['first', 'knot', 'new', 'moved']);
    const merged = after(added, mergeWithNext(added, 'new'));
    expect(merged.stages.map(({ id }) => id)).toEqual(['first', 'knot', 'moved']);
    expect(shown(merged).at(-1)).toEqual(shown(added).at(-1));
    const split = after(merged, splitStage(merged, 'moved', 1, { id: 'rest', caption: 'First half' }));
    expect(split.stages.map(({ id, caption }) => [id, caption])).toEqual([
      ['first', 'first'],
      ['knot', 'knot'],
      ['moved', 'First half'],
      ['rest', 'moved'],
    ]);
    expect(shown(split).at(-1)).toEqual(shown(merged).at(-1));
    const moved = after(split, moveStage(split, 'rest', 1));
    expect(moved.stages.map(({ id }) => id)).toEqual(['first', 'rest', 'knot', 'moved']);
    // The knot is inserted into what the curve is now.
    const first = after(moved, removeStage(moved, 'first', 'keepChanges'));
    expect(first.stages.map(({ id }) => id)).toEqual(['rest', 'knot', 'moved']);
    expect(shown(first)).toEqual(shown(moved).slice(1));
    const dropped = after(first, removeStage(first, 'knot', 'dropChanges'));
    expect(pointsAt(dropped, 'moved')).toHaveLength(6);
    const last = after(dropped, removeStage(dropped, 'moved', 'keepChanges'));
    expect(removeStage(last, 'rest', 'keepChanges')).toBeUndefined();
    expect(moveStage(three, 'first', 1)).toBeUndefined();
    expect(moveStage(three, 'knot', 0)).toBeUndefined();
    expect(mergeWithNext(three, 'moved')).toBeUndefined();
  });

  it.each<[string, LessonCommand, RegExp]>([
    ['no stage', { name: 'changeStages', sheet: 's', at: 0, remove: 3, insert: [] }, /at least one stage/],
    [
      'changes in the first',
      { name: 'changeStages', sheet: 's', at: 0, remove: 1, insert: [] },
      /first stage is the figure/,
    ],
    [
      'an id twice',
      { name: 'changeStages', sheet: 's', at: 1, remove: 0, insert: [stage('knot')] },
      /have the id knot/,
    ],
    [
      'too many',
      {
        name: 'changeStages',
        sheet: 's',
        at: 1,
        remove: 0,
        insert: Array.from({ length: 38 }, (_, index) => stage(`n${index}`)),
      },
      /41 stages; at most 40/,
    ],
    [
      'too many changes in one',
      {
        name: 'stageCommands',
        sheet: 's',
        stage: 'knot',
        at: 1,
        remove: 0,
        insert: Array(200).fill(move(1, [0, 0])),
      },
      /200 changes at most/,
    ],
    [
      'a stage that is not there',
      { name: 'setStageText', sheet: 's', stage: 'gone', caption: '' },
      /no longer in the sheet/,
    ],
  ])('refuse %s', (_, command, sentence) => {
    expect(() => applyLessonCommand(lessonOf(three), command)).toThrow(sentence);
  });

  it('whatever is done at whatever stage, is taken back exactly, and no stage is lost', () => {
    const command = fc.oneof(...commandNames.map((name) => commandsOf(name)));
    holds(
      fc.property(
        fc.array(fc.record({ at: fc.constantFrom('first', 'knot', 'moved'), command }), { maxLength: 6 }),
        (list) => {
          let sheet = three;
          for (const { at, command: given } of list) {
            const before = stageStates(sheet);
            const index = sheet.stages.findIndex(({ id }) => id === at);
            // What is done at a stage is done to what it shows; it is refused there where it does not fit.
            try {
              applyFigureCommand(before[index]!.figure, given);
              if (before[index]!.broken) continue;
              sheet = after(sheet, changeAtStage(sheet, at, given));
            } catch (error) {
              if (!(error instanceof CommandError)) throw error;
              continue;
            }
            const states = stageStates(sheet);
            for (const [k, { broken, figure: state }] of states.entries()) {
              // What it kept is what it last showed.
              if (broken && !before[k]!.broken) expect(stored(state)).toEqual(stored(before[k]!.figure));
              if (k < index) expect(state).toBe(before[k]!.figure);
            }
          }
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('the difference of two states of a figure', () => {
  it('leads from the one to the other, whatever the way was', () => {
    const command = fc.oneof(...commandNames.map((name) => commandsOf(name)));
    holds(
      fc.property(fc.array(command, { maxLength: 10 }), (list) => {
        let now: FigureDocument = figure;
        for (const one of list) {
          try {
            now = applyFigureCommand(now, one).document;
          } catch (error) {
            if (!(error instanceof CommandError)) throw error;
          }
        }
        for (const [from, to] of [
          [figure, now],
          [now, figure],
        ] as const) {
          const led = differenceOf(from, to).reduce(
            (document, one) => applyFigureCommand(document, one).document,
            from,
          );
          expect(stored(led)).toEqual(stored(to));
        }
      }),
      { numRuns: 150 },
    );
  });
});

describe('lessons of the first version', () => {
  const task = { prompt: 'Do', hints: ['Look', 'Again'], conditions: [{ kind: 'rational', item: 'a' }] };
  const { stages: _, tasks: __, ...old } = newSheet({ id: 's', title: 'S', figure });
  const shape = {
    ...task,
    kind: 'shape',
    id: 'task',
    stage: 'first',
    hints: [{ text: 'Look' }, { text: 'Again' }],
  };

  it('get one stage, and their task', () => {
    const lesson = migrateLesson({
      version: 1,
      title: 'L',
      sheets: [
        { ...old, task },
        { ...old, id: 't', task: null },
      ],
    });
    validateLesson(lesson);
    expect(lesson.sheets).toEqual([
      newSheet({ ...old, tasks: [shape as never] }),
      newSheet({ ...old, id: 't' }),
    ]);
  });

  it('so do their stored commands', () => {
    const migrated = (command: object) => migrateLessonCommand(command as LessonCommand, 2);
    expect(migrated({ name: 'setTask', sheet: 's', task })).toEqual({
      name: 'changeTasks',
      sheet: 's',
      at: 0,
      remove: 1,
      insert: [shape],
    });
    expect(migrated({ name: 'setTask', sheet: 's', task: null })).toMatchObject({ remove: 1, insert: [] });
    expect(migrated({ name: 'addSheet', at: 0, sheet: { ...old, task: null } })).toMatchObject({
      sheet: newSheet(old),
    });
    const now: LessonCommand = { name: 'setTitle', title: 'T' };
    expect(migrateLessonCommand(now, 3)).toBe(now);
    expect(migrated(now)).toBe(now);
  });
});

it('an operation done again is what the operation gives', () => {
  const operation = { name: 'insertKnot', source: 'a', parameter: 0.5, times: 1 } as const;
  expect(operate(operation, [{ kind: 'curve', curve }]).curve).toEqual(insertKnot(curve, 0.5));
});
