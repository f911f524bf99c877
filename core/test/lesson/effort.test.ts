import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { spend, withinEffort } from '../../src/curve/effort.js';
import { largestDistance } from '../../src/curve/hausdorff.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import { checkTask } from '../../src/lesson/checkTask.js';
import { conditions, type Condition, type ConditionKind } from '../../src/lesson/condition/conditions.js';
import { firstCondition } from '../../src/lesson/condition/judge.js';
import { firstStageId, newSheet } from '../../src/lesson/lesson.js';
import type { Task } from '../../src/lesson/task/tasks.js';

/** Points that go to and fro at random, so that nothing of one curve can be passed over for another. */
function wild(degree: number, spans: number, seed: number, weighted: boolean): Curve {
  const count = spans + degree;
  let state = seed;
  const next = (): number => (state = (state * 1_103_515_245 + 12_345) % 2 ** 31) / 2 ** 31;
  return {
    degree,
    knots: clampedUniformKnots(count, degree),
    points: Array.from({ length: count }, () => [100 * next(), 100 * next()]),
    ...(weighted ? { weights: Array.from({ length: count }, (_, k) => (k % 2 ? 1e-3 : 1e3)) } : {}),
  };
}
const figureOf = (first: Curve, second: Curve): FigureDocument => ({
  ...emptyFigure(),
  items: [
    { id: 'c', name: 'C', kind: 'curve', curve: first },
    { id: 'd', name: 'D', kind: 'curve', curve: second },
    { id: 'p', name: 'P', kind: 'point', at: [10, 5] },
  ],
});
const taskOf = (list: readonly Condition[]): Task => ({
  kind: 'shape',
  id: 't',
  stage: firstStageId,
  prompt: '',
  hints: [],
  conditions: list,
});
const check = (start: FigureDocument, figure: FigureDocument, list: readonly Condition[]) => {
  const task = taskOf(list);
  return checkTask(newSheet({ id: 's', title: 'S', figure: start, tasks: [task] }), task, { start, figure });
};

const most = 1_000_000;

describe('the work of a check', () => {
  it.each([
    ['degree 9, weights of all sizes, 200 spans', 9, 200, true],
    ['cubic, 1,500 spans', 3, 1500, false],
  ] as const)('is bounded, whatever is asked of a hostile figure: %s', (_, degree, spans, weighted) => {
    const figure = figureOf(wild(degree, spans, 5, weighted), wild(degree, spans, 99, weighted));
    const start = figureOf(wild(degree, spans, 7, weighted), wild(degree, spans, 99, weighted));
    const list = (Object.keys(conditions) as ConditionKind[]).flatMap((kind) => {
      const condition = withinEffort(most, () => firstCondition(kind, figure, 'c', 0.4));
      return condition ? [condition] : [];
    });
    expect(list.length).toBeGreaterThan(20);
    // Everything together, and each alone.
    for (const asked of [list.slice(0, 20), list.slice(20), ...list.map((one) => [one])]) {
      withinEffort(2 * most, () => {
        expect(check(start, figure, asked)).toHaveLength(asked.length);
        // Were more spent than is meant for a check, nothing would be left for this.
        expect(() => spend(most)).not.toThrow();
      });
    }
  });

  it('that is too much is told and never counts as met, in groups neither', () => {
    const figure = figureOf(wild(9, 200, 5, true), wild(9, 200, 99, true));
    const near: Condition = { kind: 'nearCurve', item: 'c', target: 'd', tolerance: 1 };
    const easy: Condition = { kind: 'degreeAtLeast', item: 'c', atLeast: 9 };
    const results = check(figure, figure, [
      easy,
      { kind: 'none', conditions: [near] },
      { kind: 'all', conditions: [easy, near] },
      near,
    ]);
    expect(results[0]).toMatchObject({ met: true });
    for (const result of results.slice(1))
      expect(result).toEqual({ met: false, measured: null, tooMuch: true });
  });

  it('has room for curves of sixty points, several times over', () => {
    const smooth = (shift: number): Curve => ({
      degree: 3,
      knots: clampedUniformKnots(60, 3),
      points: Array.from({ length: 60 }, (_, k) => [k * 5, 20 * Math.sin(k / 3 + shift)]),
    });
    const figure = figureOf(smooth(0), smooth(1));
    const near: Condition = { kind: 'nearCurve', item: 'c', target: 'd', tolerance: 100 };
    for (const { met } of check(figure, figure, [near, near, near])) expect(met).toBe(true);
  });

  it('counts inside of a bound, and is without end outside', () => {
    const [a, b] = [wild(3, 10, 1, false), wild(3, 10, 2, false)];
    expect(() => withinEffort(10, () => largestDistance(a, b))).toThrow(/too much calculation/);
    expect(() => withinEffort(100, () => withinEffort(1e9, () => spend(101)))).toThrow();
    withinEffort(100, () => {
      expect(() => withinEffort(50, () => spend(51))).toThrow();
      // What was spent inside is gone outside too.
      expect(() => spend(50)).not.toThrow();
      expect(() => spend(1)).toThrow();
    });
    expect(() => spend(1e12)).not.toThrow();
  });
});
