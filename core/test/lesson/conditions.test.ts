import { describe, expect, it } from 'vitest';
import { exactCircle } from '../../src/curve/circle.js';
import type { Curve, Point } from '../../src/curve/curve.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { periodicCurve } from '../../src/curve/periodic.js';
import { referencesIn } from '../../src/describe/ids.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import { curveOf, evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import { isTaskMet } from '../../src/lesson/checkTask.js';
import {
  conditionDescription,
  conditions,
  type Condition,
  type ConditionKind,
} from '../../src/lesson/condition/conditions.js';
import { firstCondition, otherConditions } from '../../src/lesson/condition/judge.js';
import { firstStageId, newSheet } from '../../src/lesson/lesson.js';
import { lostConditions } from '../../src/lesson/references.js';
import { validateTask, type Task } from '../../src/lesson/task/tasks.js';
import { judgeAlone } from './judgeAlone.js';

const points = Array.from({ length: 9 }, (_, index) => [index * 10, index % 2 === 0 ? 0 : 10]);
const own: Curve = { degree: 3, knots: clampedUniformKnots(9, 3), points };
const start: FigureDocument = {
  ...emptyFigure(),
  items: [
    { id: 'c', name: 'C', kind: 'curve', curve: own },
    { id: 't', name: 'T', kind: 'point', at: [0, 3] },
    // It goes on from the end of the first, in the direction in which that ends.
    {
      id: 'd',
      name: 'D',
      kind: 'curve',
      curve: {
        degree: 1,
        knots: [0, 0, 1, 1],
        points: [
          [80, 0],
          [90, -10],
        ],
      },
    },
  ],
};
const become = (curve: Curve): FigureCommand => ({ name: 'setCurve', item: 'c', curve });
const insert = (u: number, times: number): FigureCommand => become(insertKnot(own, u, times));
const round = exactCircle({ centre: [0, 0], radius: 30, x: [1, 0], y: [0, 1] }, 'quadratic9');
const line = (...places: Point[]): Curve => ({
  degree: 1,
  knots: clampedUniformKnots(places.length, 1),
  points: places,
});
const weighted = (...weights: number[]): FigureCommand => become({ ...own, weights });
const ones = Array<number>(8).fill(1);
const taskOf = (condition: Condition): Task => ({
  kind: 'shape',
  id: 'task',
  stage: firstStageId,
  prompt: '',
  hints: [],
  conditions: [condition],
});
const move = (index: number, to: number[]): FigureCommand => ({
  name: 'moveControlPoint',
  item: 'c',
  index,
  to,
});
const flat: FigureCommand = { name: 'setPoints', item: 'c', points: points.map(([x]) => [x!, 0]) };

/** For each condition one that a change meets and one that it does not, so that none is there untested. */
const cases: {
  readonly [Kind in ConditionKind]: {
    readonly condition: Omit<Extract<Condition, { readonly kind: Kind }>, 'kind' | 'item'>;
    readonly meets: FigureCommand;
    readonly fails: FigureCommand;
  };
} = {
  curveThroughPoint: {
    condition: { target: 't', tolerance: 0.1 },
    meets: move(0, [0, 3]),
    fails: move(0, [0, -3]),
  },
  operationsAtMost: {
    condition: { atMost: 1 },
    meets: { name: 'setUses', uses: { insertKnot: 1 } },
    fails: { name: 'setUses', uses: { insertKnot: 1, raiseDegree: 1 } },
  },
  operationAtMost: {
    condition: { operation: 'insertKnot', atMost: 1 },
    meets: { name: 'setUses', uses: { insertKnot: 1, raiseDegree: 3 } },
    fails: { name: 'setUses', uses: { insertKnot: 2 } },
  },
  parameterEven: {
    condition: { share: 0.01 },
    meets: become(line([0, 0], [10, 0], [20, 0])),
    fails: become(line([0, 0], [10, 0], [40, 0])),
  },
  pointsMovedAtMost: {
    condition: { of: 'controlPoints', atMost: 0 },
    meets: move(1, [10, 10]),
    fails: move(1, [10, 11]),
  },
  pointAtPlace: {
    condition: { of: 'controlPoints', index: 4, place: [40, 30], tolerance: 0.1 },
    meets: move(4, [40, 30.05]),
    fails: move(4, [40, 31]),
  },
  pointsUnmoved: {
    condition: { of: 'controlPoints', indices: [1, 2], tolerance: 0.1 },
    meets: move(4, [40, 30]),
    fails: move(1, [10, 11]),
  },
  spansUnmoved: {
    condition: { atLeast: 2, tolerance: 0.01 },
    meets: move(1, [10, 30]),
    fails: { name: 'moveEditPoint', item: 'c', index: 4, to: [40, 60] },
  },
  curvatureAtMost: { condition: { limit: 0.001 }, meets: flat, fails: move(1, [10, 40]) },
  degreeAtMost: {
    condition: { atMost: 2 },
    meets: { name: 'setDegree', item: 'c', degree: 2 },
    fails: { name: 'setDegree', item: 'c', degree: 4 },
  },
  inflectionsAtMost: { condition: { atMost: 0 }, meets: flat, fails: move(1, [10, 12]) },
  shapeUnchanged: { condition: { tolerance: 1e-9 }, meets: insert(0.4, 1), fails: move(4, [40, 1]) },
  nearCurve: {
    condition: { target: 'd', tolerance: 0.01 },
    meets: become(line([80, 0], [85, -5], [90, -10])),
    fails: become(line([80, 0], [85, -5.1], [90, -10])),
  },
  pointsEqual: {
    condition: { points: [...points.slice(0, 8), [80, 5]], tolerance: 0.1 },
    meets: move(8, [80, 5.05]),
    fails: move(8, [80, 5.2]),
  },
  weightsEqual: {
    condition: { weights: [...ones.map(() => 2), 4], within: 1e-9 },
    meets: weighted(...ones, 2),
    fails: weighted(...ones, 3),
  },
  knotsEqual: {
    condition: { knots: [0, 0, 0, 0, 1, 2, 3, 4, 5, 6, 6, 6, 6], within: 1e-9 },
    meets: become({ ...own, knots: [0, 0, 0, 0, 1, 2, 3, 4, 5, 6, 6, 6, 6] }),
    fails: become({ ...own, knots: [0, 0, 0, 0, 1, 2, 3, 4, 5.1, 6, 6, 6, 6] }),
  },
  degreeAtLeast: {
    condition: { atLeast: 4 },
    meets: { name: 'setDegree', item: 'c', degree: 4 },
    fails: { name: 'setDegree', item: 'c', degree: 2 },
  },
  spansAtMost: { condition: { atMost: 6 }, meets: move(1, [10, 12]), fails: insert(0.4, 1) },
  spansAtLeast: { condition: { atLeast: 7 }, meets: insert(0.4, 1), fails: move(1, [10, 12]) },
  pointsAtMost: { condition: { atMost: 9 }, meets: move(1, [10, 12]), fails: insert(0.4, 1) },
  pointsAtLeast: { condition: { atLeast: 10 }, meets: insert(0.4, 1), fails: move(1, [10, 12]) },
  multiplicityAtLeast: {
    condition: { parameter: 0.4, atLeast: 2 },
    meets: insert(0.4, 2),
    fails: insert(0.4, 1),
  },
  multiplicityAtMost: {
    condition: { parameter: 0.4, atMost: 1 },
    meets: insert(0.4, 1),
    fails: insert(0.4, 2),
  },
  continuityAtKnot: {
    condition: { parameter: 0.5, continuity: 'C1' },
    meets: insert(0.5, 2),
    fails: become({
      ...own,
      knots: [0, 0, 0, 0, 0.5, 0.5, 0.5, 0.75, 0.875, 1, 1, 1, 1],
    }),
  },
  leastContinuity: {
    condition: { continuity: 'G1' },
    meets: insert(0.4, 3),
    fails: become({ ...own, knots: [0, 0, 0, 0, 0.5, 0.5, 0.5, 0.75, 0.875, 1, 1, 1, 1] }),
  },
  continuityAtJoint: {
    condition: { other: 'd', continuity: 'G1' },
    meets: move(7, [79, 1]),
    fails: move(7, [78, 0]),
  },
  curvatureAtLeast: { condition: { limit: 0.001 }, meets: move(1, [10, 40]), fails: flat },
  curvatureMonotone: {
    condition: {},
    meets: become({
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        [0, 0],
        [10, 0],
        [30, 20],
      ],
    }),
    fails: move(1, [10, 30]),
  },
  combPeaksAtMost: { condition: { atMost: 0 }, meets: flat, fails: move(1, [10, 30]) },
  tangentAtEnd: {
    condition: { end: 'start', direction: 90, within: 1 },
    meets: move(1, [0, 30]),
    fails: move(1, [10, 30]),
  },
  conicIs: {
    condition: { conic: 'ellipse' },
    meets: become(round),
    fails: become({ ...round, weights: round.points.map(() => 1) }),
  },
  roundWithin: {
    condition: { share: 1e-12 },
    meets: become(round),
    fails: become({ ...round, points: round.points.with(4, [-31, 0]) }),
  },
  lengthBetween: {
    condition: { least: 188, most: 189 },
    meets: become(round),
    fails: become({ ...round, points: round.points.map(([x, y]) => [2 * x!, 2 * y!]) }),
  },
  areaBetween: {
    condition: { least: 2827, most: 2828 },
    meets: become(round),
    fails: become({ ...round, points: round.points.map(([x, y]) => [2 * x!, y!]) }),
  },
  weightBetween: {
    condition: { index: 8, least: 2, most: 3 },
    meets: weighted(...ones, 2.5),
    fails: weighted(...ones, 4),
  },
  polynomial: { condition: {}, meets: weighted(...ones, 1), fails: weighted(...ones, 2) },
  rational: { condition: {}, meets: weighted(...ones, 2), fails: weighted(...ones, 1) },
  clampedEnds: {
    condition: {},
    meets: move(1, [10, 12]),
    fails: become({ ...own, knots: own.knots.with(0, -1).with(1, -0.5) }),
  },
  closed: {
    condition: {},
    meets: become(periodicCurve(3, points)),
    fails: become(round),
  },
  endsMeet: { condition: { tolerance: 0.1 }, meets: move(8, [0, 0.05]), fails: move(8, [0, 1]) },
  symmetricAbout: {
    condition: { from: [40, 0], to: [40, 10], tolerance: 1e-9 },
    meets: move(4, [40, 30]),
    fails: move(4, [41, 30]),
  },
};

describe('every condition', () => {
  it.each(Object.keys(conditions) as ConditionKind[])(
    '%s is met by one change and not by another',
    (kind) => {
      const { condition: given, meets, fails } = cases[kind];
      const condition = { kind, item: 'c', ...given } as unknown as Condition;
      const judge = (command: FigureCommand) => {
        const figure = applyFigureCommand(start, command).document;
        const results = [judgeAlone(condition, start, figure)];
        return { results, met: isTaskMet(results) };
      };
      expect(judge(meets)).toMatchObject({ met: true, results: [{ measured: expect.any(Number) }] });
      expect(judge(fails)).toMatchObject({ met: false, results: [{ measured: expect.any(Number) }] });
      // What it refers to is told when it is gone.
      const task = taskOf(condition);
      const sheet = newSheet({ id: 's', title: 'S', figure: { ...start, items: [] }, tasks: [task] });
      expect(referencesIn(conditions[kind].description, condition)).toContain('c');
      expect(lostConditions(sheet, task)).toEqual([0]);
      expect(lostConditions({ ...sheet, figure: start }, task)).toEqual([]);
    },
  );
});

describe('a new condition', () => {
  it.each(Object.keys(conditions) as ConditionKind[])(
    '%s has its blanks filled with what can be checked',
    (kind) => {
      const made = firstCondition(kind, start, 'c', 0.4)!;
      const { fields } = conditions[kind].description as { readonly fields: object };
      expect(Object.keys(made).sort()).toEqual(Object.keys(fields).sort());
      const result = judgeAlone(made, start, start);
      // What is asked first is mostly what holds now; where it is not, it is measured all the same.
      if (!['curveThroughPoint', 'continuityAtJoint', 'conicIs', 'areaBetween'].includes(kind))
        expect(result!.measured).not.toBeNull();
      expect(firstCondition(kind, start, 't', 0.4)).toBeUndefined();
    },
  );
});

describe('what a condition is about', () => {
  it('can be another point than the first', () => {
    const evaluation = evaluateFigure(start);
    const curve = curveOf(evaluation, 'c')!;
    const others = otherConditions('pointAtPlace', start, 'c', evaluation, 100);
    expect(others).toHaveLength(curve.points.length - 1);
    for (const condition of others)
      expect(judgeAlone(condition, start, start)).toMatchObject({ measured: 0 });
    expect(otherConditions('pointAtPlace', start, 'c', evaluation, 2)).toHaveLength(2);
    const points = start.items.filter(({ kind }) => kind === 'point');
    expect(otherConditions('curveThroughPoint', start, 'c', evaluation, 100)).toEqual(
      points.slice(1).map(({ id }) => ({ kind: 'curveThroughPoint', item: 'c', target: id, tolerance: 0.5 })),
    );
    expect(otherConditions('rational', start, 'c', evaluation, 100)).toEqual([]);
    expect(otherConditions('pointAtPlace', start, 'nothing', evaluation, 100)).toEqual([]);
  });

  it('is not offered where it is not there', () => {
    const alone = { ...start, items: start.items.slice(0, 1) };
    for (const kind of ['curveThroughPoint', 'nearCurve', 'continuityAtJoint'] as const) {
      expect(firstCondition(kind, alone, 'c', 0.4)).toBeUndefined();
      expect(firstCondition(kind, start, 'c', 0.4)).toBeDefined();
    }
  });

  it('is counted in groups too: more than a check may take are refused', () => {
    const one: Condition = { kind: 'rational', item: 'c' };
    const task = (count: number): Task =>
      taskOf({ kind: 'any', conditions: [{ kind: 'all', conditions: Array(count).fill(one) }, one] });
    expect(() => validateTask(task(39))).not.toThrow();
    expect(() => validateTask(task(40))).toThrow('40 checks at most');
  });
});

describe('conditions taken together', () => {
  const degree = (kind: 'degreeAtMost' | 'degreeAtLeast', limit: number): Condition =>
    kind === 'degreeAtMost' ? { kind, item: 'c', atMost: limit } : { kind, item: 'c', atLeast: limit };
  const result = (condition: Condition) => judgeAlone(condition, start, start);
  // The curve has degree 3.
  const [met, other] = [degree('degreeAtMost', 3), degree('degreeAtLeast', 4)];

  it.each<['all' | 'any' | 'none', Condition[], boolean]>([
    ['all', [met, met], true],
    ['all', [met, other], false],
    ['any', [met, other], true],
    ['any', [other, other], false],
    ['none', [other, other], true],
    ['none', [met, other], false],
    [
      'all',
      [
        { kind: 'any', conditions: [other, met] },
        { kind: 'none', conditions: [other] },
      ],
      true,
    ],
    ['none', [{ kind: 'all', conditions: [met, other] }], true],
  ])('as %s come out as they should, with how many are met', (kind, conditions, expected) => {
    const alone = conditions.filter((condition) => result(condition)!.met).length;
    expect(result({ kind, conditions })).toEqual({ met: expected, measured: alone });
  });

  it('name what they refer to, however deep', () => {
    const deep: Condition = {
      kind: 'any',
      conditions: [
        { kind: 'all', conditions: [{ kind: 'nearCurve', item: 'c', target: 'd', tolerance: 1 }] },
      ],
    };
    expect(referencesIn(conditionDescription, deep)).toEqual(['c', 'd']);
  });
});

describe('a check', () => {
  it('of curves that can’t be measured is not met and breaks nothing', () => {
    const judge = (condition: Condition, of: FigureDocument) => judgeAlone(condition, start, of);
    const signed = applyFigureCommand(
      start,
      become({ ...own, weights: [1, 1, -1, 1, 1, 1, 1, 1, 1], signedWeights: true }),
    ).document;
    for (const kind of ['nearCurve', 'pointAtPlace', 'roundWithin', 'lengthBetween'] as const) {
      const condition = { kind, item: 'c', ...cases[kind].condition } as Condition;
      const unmeasured: Condition =
        kind === 'pointAtPlace' ? ({ ...condition, of: 'editPoints' } as Condition) : condition;
      expect(judge(unmeasured, signed)).toEqual({ met: false, measured: null });
    }
  });
});
