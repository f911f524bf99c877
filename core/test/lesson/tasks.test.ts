import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import type { CurveItem } from '../../src/figure/document/item.js';
import { curveOf, evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import type { Measure } from '../../src/figure/measure/measures.js';
import { answerTo, checkTask, isTaskMet } from '../../src/lesson/checkTask.js';
import type { Condition } from '../../src/lesson/condition/conditions.js';
import type { ConditionResult } from '../../src/lesson/condition/define.js';
import { firstStageId, newSheet, type Sheet } from '../../src/lesson/lesson.js';
import { scoreOf } from '../../src/lesson/score.js';
import { figureOfStage } from '../../src/lesson/stage/states.js';
import { isVaried, seedFrom, variedSheet } from '../../src/lesson/stage/vary.js';
import {
  taskKinds,
  type Task,
  type TaskAnswer,
  type TaskKind,
  type TaskOf,
} from '../../src/lesson/task/tasks.js';
import { triedTask } from '../../src/lesson/triedTask.js';
import { validateTasks } from '../../src/lesson/validate.js';
import { offeredVariations } from '../../src/lesson/variation/offers.js';
import { variations, type Variation } from '../../src/lesson/variation/variations.js';
import { commandNames, commandsOf, figure as randomFigure } from '../figure/randomCommands.js';
import { holds } from '../holds.js';

const points = [
  [0, 0],
  [10, 20],
  [25, 22],
  [40, -4],
  [60, 0],
];
const figure: FigureDocument = {
  ...emptyFigure(),
  items: [
    { id: 'c', name: 'C', kind: 'curve', curve: { degree: 3, knots: clampedUniformKnots(5, 3), points } },
    {
      id: 'd',
      name: 'D',
      kind: 'curve',
      curve: { degree: 2, knots: clampedUniformKnots(5, 2), points: points.map(([x, y]) => [x!, y! + 50]) },
    },
    { id: 'p', name: 'P', kind: 'point', at: [5, 5] },
  ],
  rail: { item: 'c', tracks: [] },
};
const curve = (figure.items[0] as CurveItem).curve;
const insertion: FigureCommand = {
  name: 'operate',
  item: 'c',
  operation: { name: 'insertKnot', source: 'c', parameter: 0.25, times: 1 },
  curve: insertKnot(curve, 0.25),
} as FigureCommand;
const move = (index: number, to: number[]): FigureCommand => ({
  name: 'moveControlPoint',
  item: 'c',
  index,
  to,
});

const any = { id: 't', stage: firstStageId, prompt: 'Say.', hints: [] };
const sheetWith = (task: Task): Sheet =>
  newSheet({
    id: 's',
    title: 'S',
    figure,
    stages: [
      { id: firstStageId, caption: '', commands: [] },
      { id: 'moved', caption: '', commands: [move(1, [10, 30])] },
      { id: 'finer', caption: '', commands: [insertion] },
    ],
    tasks: [task],
  });

/** How an answer, or for a shape task a figure, comes out. */
function results(task: Task, answer?: TaskAnswer, now = figure): readonly ConditionResult[] {
  return checkTask(sheetWith(task), task, { start: figure, figure: now, answer });
}

type Case = { task: Task; passes: TaskAnswer | FigureDocument; fails: TaskAnswer | FigureDocument };
const cases: { readonly [Kind in TaskKind]: Case } = {
  shape: {
    task: {
      ...any,
      kind: 'shape',
      conditions: [
        { kind: 'pointAtPlace', item: 'c', of: 'controlPoints', index: 1, place: [10, 30], tolerance: 1 },
      ],
    },
    passes: applyFigureCommand(figure, move(1, [10, 29.5])).document,
    fails: applyFigureCommand(figure, move(1, [10, 27])).document,
  },
  number: {
    task: {
      ...any,
      kind: 'number',
      measure: { of: 'coordinate', item: 'c', point: 'controlPoints', index: 2, axis: 1 },
      tolerance: 0.5,
    },
    passes: { kind: 'number', value: 22.5 },
    fails: { kind: 'number', value: 22.51 },
  },
  choice: {
    task: {
      ...any,
      kind: 'choice',
      choices: [{ text: 'two', reason: 'Count again.' }, { text: 'three', isRight: true }, { text: 'four' }],
    },
    passes: { kind: 'choice', chosen: [1] },
    fails: { kind: 'choice', chosen: [1, 2] },
  },
  order: {
    task: { ...any, kind: 'order', entries: [{ text: 'first' }, { text: 'second' }, { text: 'third' }] },
    passes: { kind: 'order', order: [0, 1, 2] },
    fails: { kind: 'order', order: [0, 2, 1] },
  },
  prediction: {
    task: {
      ...any,
      kind: 'prediction',
      to: 'moved',
      questions: [{ of: 'place', item: 'c', point: 'controlPoints', index: 1, within: 2 }],
    },
    passes: { kind: 'prediction', guesses: [{ of: 'place', at: [10, 28.5] }] },
    fails: { kind: 'prediction', guesses: [{ of: 'place', at: [10, 20] }] },
  },
};

const isFigure = (given: TaskAnswer | FigureDocument): given is FigureDocument => 'items' in given;

describe('every kind of task', () => {
  it.each(Object.keys(taskKinds) as TaskKind[])('%s passes with one answer and not with another', (kind) => {
    const { task, passes, fails } = cases[kind];
    const judge = (given: TaskAnswer | FigureDocument): boolean =>
      isTaskMet(isFigure(given) ? results(task, undefined, given) : results(task, given));
    expect(judge(passes)).toBe(true);
    expect(judge(fails)).toBe(false);
    // Nothing answered, and the answer of another kind, are no answers.
    expect(isTaskMet(results(task))).toBe(false);
    const other = kind === 'number' ? cases.choice.passes : cases.number.passes;
    expect(isTaskMet(results(task, other as TaskAnswer))).toBe(false);
    // What meets it can be found where it is an answer.
    const answer = answerTo(sheetWith(task), task, { start: figure, figure });
    if (kind !== 'shape') expect(isTaskMet(results(task, answer))).toBe(true);
    expect(() => validateTasks(sheetWith(task))).not.toThrow();
  });
});

describe('a number', () => {
  it('is measured of the figure as the reader has it, and told in which direction it is off', () => {
    const { task } = cases.number;
    const now = applyFigureCommand(figure, move(2, [25, 40])).document;
    expect(results(task, { kind: 'number', value: 40 }, now)).toEqual([{ met: true, measured: 40 }]);
    expect(results(task, { kind: 'number', value: 22 }, now)).toEqual([
      { met: false, measured: 22, off: -1 },
    ]);
  });

  it('at a parameter is that of the task', () => {
    const task: Task = {
      ...any,
      kind: 'number',
      measure: { of: 'basis', item: 'c', index: 0 },
      tolerance: 1e-12,
      cursor: 0.25,
    };
    // N0 of the first of two spans is (1 − 2u)³.
    expect(isTaskMet(results(task, { kind: 'number', value: 0.125 }))).toBe(true);
  });

  it('that can’t be measured is never right', () => {
    const task: Task = {
      ...any,
      kind: 'number',
      measure: { of: 'knot', item: 'c', index: 99 },
      tolerance: 1e9,
    };
    expect(results(task, { kind: 'number', value: 0 })).toEqual([{ met: false, measured: null }]);
  });
});

describe('a choice', () => {
  it('of several asks for all that are right and no other', () => {
    const task: Task = {
      ...any,
      kind: 'choice',
      choices: [{ text: 'a', isRight: true }, { text: 'b' }, { text: 'c', isRight: true }],
    };
    const met = (...chosen: number[]) => isTaskMet(results(task, { kind: 'choice', chosen }));
    expect([met(0, 2), met(2, 0), met(0), met(0, 1, 2), met()]).toEqual([true, true, false, false, false]);
  });

  it('without a right answer is never met', () => {
    const task: Task = { ...any, kind: 'choice', choices: [{ text: 'a' }, { text: 'b' }] };
    expect(isTaskMet(results(task, { kind: 'choice', chosen: [] }))).toBe(false);
    expect(isTaskMet(results(task, { kind: 'choice', chosen: [0] }))).toBe(false);
  });
});

describe('an order', () => {
  const measuredTask: Task = {
    ...any,
    kind: 'order',
    entries: ['c', 'd', 'c'].map((item) => ({ text: item, measure: { of: 'fact', item, fact: 'degree' } })),
  };
  const order = (...places: number[]): TaskAnswer => ({ kind: 'order', order: places });

  it('by what is measured goes from the smallest, and equals may stand either way', () => {
    expect(isTaskMet(results(measuredTask, order(1, 0, 2)))).toBe(true);
    expect(isTaskMet(results(measuredTask, order(1, 2, 0)))).toBe(true);
    expect(results(measuredTask, order(0, 1, 2)).map(({ met }) => met)).toEqual([false, false, true]);
  });

  it('that leaves something out, or names it twice, is none', () => {
    for (const answer of [order(0, 1), order(0, 0, 1), order(0, 1, 7), order()])
      expect(isTaskMet(results(measuredTask, answer))).toBe(false);
  });
});

const varieties: { readonly [Kind in Variation['of']]: Variation } = {
  point: { of: 'point', item: 'c', point: 'controlPoints', index: 2, by: 5 },
  referencePoint: { of: 'referencePoint', item: 'p', by: 2 },
  knot: { of: 'knot', item: 'c', value: 0.5, by: 0.2 },
  weight: { of: 'weight', item: 'c', index: 1, least: 0.5, most: 2 },
};

describe('what is different for each student', () => {
  it.each(Object.keys(variations) as Variation['of'][])(
    '%s: the same for a seed, and within its bounds',
    (of) => {
      const sheet = sheetWith({ ...cases.number.task, varied: [varieties[of]] });
      expect(isVaried(sheet)).toBe(true);
      const seen = new Set<string>();
      for (let seed = 0; seed < 60; seed++) {
        const varied = variedSheet(sheet, seed);
        expect(varied).toEqual(variedSheet(sheet, seed));
        seen.add(JSON.stringify(varied.figure.items));
        const { curve: own } = varied.figure.items[0] as CurveItem;
        const [x, y] = own.points[2]!;
        expect(Math.abs(x! - 25)).toBeLessThanOrEqual(5);
        expect(Math.abs(y! - 22)).toBeLessThanOrEqual(5);
        expect(own.knots[4]).toBeGreaterThanOrEqual(0.3 - 1e-9);
        expect(own.knots[4]).toBeLessThanOrEqual(0.7 + 1e-9);
        for (const weight of own.weights ?? []) {
          expect(weight).toBeGreaterThanOrEqual(0.5);
          expect(weight).toBeLessThanOrEqual(2);
        }
      }
      expect(seen.size).toBeGreaterThan(10);
    },
  );

  it('later stages follow, operations done again on each student’s curve', () => {
    const sheet = sheetWith({ ...cases.number.task, varied: [varieties.point] });
    const varied = variedSheet(sheet, 7);
    const first = curveOf(evaluateFigure(figureOfStage(varied, 'moved')), 'c')!;
    const finer = curveOf(evaluateFigure(figureOfStage(varied, 'finer')), 'c')!;
    expect(first.points[2]).not.toEqual([25, 22]);
    expect(finer).toEqual(insertKnot(first, 0.25));
  });

  it('what can’t be varied stays as it is, and the sheet itself is left alone', () => {
    const gone: Variation[] = [
      { of: 'point', item: 'gone', point: 'editPoints', index: 0, by: 1 },
      { of: 'point', item: 'c', point: 'controlPoints', index: 99, by: 1 },
      { of: 'knot', item: 'c', value: 0.123, by: 1 },
      { of: 'weight', item: 'p', index: 0, least: 1, most: 2 },
      { of: 'referencePoint', item: 'c', by: 1 },
    ];
    const sheet = sheetWith({ ...cases.number.task, varied: gone });
    const before = JSON.stringify(sheet);
    expect(variedSheet(sheet, 3).figure).toEqual(figure);
    expect(JSON.stringify(sheet)).toBe(before);
  });

  it('seeds of different texts differ', () => {
    const seeds = Array.from({ length: 500 }, (_, index) => seedFrom(`student ${index}`));
    expect(new Set(seeds).size).toBe(500);
  });
});

describe('on any figure', () => {
  it('a task of any kind is judged without failing, and its own answer meets it or there is none', () => {
    const command = fc.constantFrom(...commandNames).chain(commandsOf);
    holds(
      fc.property(
        fc.array(command, { maxLength: 4 }),
        fc.constantFrom(...Object.values(cases)),
        (commands, given) => {
          let now = randomFigure;
          for (const one of commands) {
            try {
              now = applyFigureCommand(now, one).document;
            } catch {
              // What does not fit is left out.
            }
          }
          const task = JSON.parse(JSON.stringify(given.task).replaceAll('"item":"c"', '"item":"a"')) as Task;
          const sheet = newSheet({
            id: 's',
            title: 'S',
            figure: randomFigure,
            stages: [
              { id: firstStageId, caption: '', commands: [] },
              { id: 'moved', caption: '', commands: [{ ...move(1, [10, 30]), item: 'a' } as FigureCommand] },
            ],
            tasks: [task],
          });
          const attempt = { start: randomFigure, figure: now };
          const answer = answerTo(sheet, task, attempt);
          const judged = checkTask(sheet, task, { ...attempt, answer });
          expect(judged.length).toBeGreaterThan(0);
          if (answer && judged[0]!.measured !== null) expect(isTaskMet(judged)).toBe(true);
          // What was judged can be sent.
          expect(JSON.parse(JSON.stringify(judged))).toEqual(judged);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('a task that is tried', () => {
  const flaws = (task: Task, change: Partial<Task> = {}) => {
    const changed = { ...task, ...change } as Task;
    return triedTask(sheetWith(changed), changed).flaws;
  };

  it.each(Object.keys(taskKinds) as TaskKind[])('%s has no flaw where it can be met', (kind) => {
    const { task } = cases[kind];
    const solved = kind === 'shape' ? ({ ...task, solution: 'moved' } as Task) : task;
    const loose = { c: { controlPoints: [1], editPoints: [] } };
    const sheet = { ...sheetWith(solved), figure: { ...figure, loose } };
    expect(triedTask(sheet, solved)).toEqual({ isMetBySolution: true, flaws: [] });
  });

  it('tells where readers may not do what the solution does', () => {
    expect(flaws(cases.shape.task, { solution: 'moved' })).toEqual(['notForReaders']);
  });

  it('tells what would keep it from being one', () => {
    const { shape, number, choice, order, prediction } = cases;
    expect(flaws(shape.task, { solution: 'first' })).toEqual(['solutionFails']);
    expect(flaws(applyPlace([10, 20]))).toEqual(['metAtStart']);
    expect(flaws(shape.task, { stage: 'gone' })).toEqual(['stageGone']);
    expect(flaws(number.task, { measure: { of: 'knot', item: 'gone', index: 0 } } as never)).toEqual([
      'notMeasured',
    ]);
    expect(flaws(choice.task, { choices: [{ text: 'a' }, { text: '' }] } as never)).toEqual([
      'noneRight',
      'emptyText',
    ]);
    expect(flaws(choice.task, { choices: [{ text: 'a', isRight: true }] } as never)).toEqual(['noneWrong']);
    expect(flaws(order.task, { entries: [{ text: 'a' }] } as never)).toEqual(['tooFewEntries']);
    const same = { text: 'a', measure: { of: 'fact', item: 'c', fact: 'degree' } };
    expect(flaws(order.task, { entries: [same, same] } as never)).toEqual(['allEqual']);
    expect(flaws(prediction.task, { questions: [] } as never)).toEqual(['nothingAsked']);
    expect(flaws(prediction.task, { to: 'gone' } as never)).toEqual(['stageGone']);
    expect(
      flaws(prediction.task, { questions: [{ of: 'count', item: 'gone', count: 'points' }] } as never),
    ).toEqual(['notMeasured']);
  });

  it('is tried with the numbers of several students where they differ', () => {
    const place = applyPlace([10, 30]);
    // Its solution is another one for each, and only the place asked for is the same.
    const varied = {
      ...place,
      solution: 'moved',
      varied: [{ ...varieties.point, index: 1 }],
    } as TaskOf<'shape'>;
    expect(triedTask(sheetWith(varied), varied).isMetBySolution).toBe(true);
    const [condition] = place.conditions;
    const loose: Task = {
      ...place,
      conditions: [{ ...condition, tolerance: 12 } as Condition],
      varied: varied.varied!,
    };
    expect(flaws(loose)).toEqual(['metAtStart']);
  });

  it('every variation that is offered can be made', () => {
    const offers = offeredVariations(figure);
    expect(new Set(offers.map(({ of }) => of))).toEqual(new Set(['point', 'knot', 'referencePoint']));
    for (const variation of offers) {
      const sheet = sheetWith({ ...cases.number.task, varied: [variation] });
      const seen = new Set(
        Array.from({ length: 12 }, (_, seed) => JSON.stringify(variedSheet(sheet, seed).figure.items)),
      );
      expect(seen.size, variation.of).toBeGreaterThan(2);
    }
  });
});

/** A shape task that asks for the second control point to be at a place. */
function applyPlace(place: number[]): TaskOf<'shape'> {
  return {
    ...any,
    kind: 'shape',
    conditions: [{ kind: 'pointAtPlace', item: 'c', of: 'controlPoints', index: 1, place, tolerance: 1 }],
  };
}

describe('the number that counts in a task', () => {
  const line = {
    degree: 1,
    knots: [0, 0, 1, 1],
    points: [
      [0, 0],
      [30, 40],
    ],
  };
  const figure = {
    ...emptyFigure(),
    items: [{ id: 'line', name: 'Line', kind: 'curve', curve: line }],
  } as FigureDocument;
  const task = (score?: Measure): Task => ({
    kind: 'shape',
    id: 't',
    stage: firstStageId,
    prompt: '',
    hints: [],
    conditions: [],
    ...(score ? { score } : {}),
  });

  it('is measured of the figure, and nothing where nothing counts or can be measured', () => {
    expect(scoreOf(task({ of: 'fact', item: 'line', fact: 'length' }), figure)).toBeCloseTo(50, 9);
    expect(scoreOf(task({ of: 'fact', item: 'line', fact: 'points' }), figure)).toBe(2);
    expect(scoreOf(task({ of: 'fact', item: 'line', fact: 'conic' }), figure)).toBeUndefined();
    expect(scoreOf(task({ of: 'fact', item: 'gone', fact: 'points' }), figure)).toBeUndefined();
    expect(scoreOf(task(), figure)).toBeUndefined();
  });
});
