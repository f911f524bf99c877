import { describe, expect, it } from 'vitest';
import {
  applyFigureCommand,
  checkTask,
  clampedUniformKnots,
  conditions,
  emptyFigure,
  isTaskMet,
  lostConditions,
  referencesIn,
  type Condition,
  type ConditionKind,
  type ConditionOf,
  type FigureCommand,
  type FigureDocument,
  type Sheet,
} from '../everything.js';

const points = Array.from({ length: 9 }, (_, index) => [index * 10, index % 2 === 0 ? 0 : 10]);
const start: FigureDocument = {
  ...emptyFigure(),
  items: [
    { id: 'c', name: 'C', kind: 'curve', curve: { degree: 3, knots: clampedUniformKnots(9, 3), points } },
    { id: 't', name: 'T', kind: 'point', at: [0, 3] },
  ],
};
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
    readonly condition: Omit<ConditionOf<Kind>, 'kind' | 'item'>;
    readonly meets: FigureCommand;
    readonly fails: FigureCommand;
  };
} = {
  curveThroughPoint: {
    condition: { target: 't', tolerance: 0.1 },
    meets: move(0, [0, 3]),
    fails: move(0, [0, -3]),
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
};

describe('every condition', () => {
  it.each(Object.keys(conditions) as ConditionKind[])(
    '%s is met by one change and not by another',
    (kind) => {
      const { condition: given, meets, fails } = cases[kind];
      const condition = { kind, item: 'c', ...given } as unknown as Condition;
      const judge = (command: FigureCommand) => {
        const figure = applyFigureCommand(start, command).document;
        const results = checkTask({ prompt: '', hints: [], conditions: [condition] }, start, figure);
        return { results, met: isTaskMet(results) };
      };
      expect(judge(meets)).toMatchObject({ met: true, results: [{ measured: expect.any(Number) }] });
      expect(judge(fails)).toMatchObject({ met: false, results: [{ measured: expect.any(Number) }] });
      // What it refers to is told when it is gone.
      const sheet = {
        id: 's',
        title: 'S',
        prose: { type: 'doc', content: [] },
        figure: { ...start, items: [] },
        task: { prompt: '', hints: [], conditions: [condition] },
      } as unknown as Sheet;
      expect(referencesIn(conditions[kind].description, condition)).toContain('c');
      expect(lostConditions(sheet)).toEqual([0]);
      expect(lostConditions({ ...sheet, figure: start })).toEqual([]);
    },
  );
});
