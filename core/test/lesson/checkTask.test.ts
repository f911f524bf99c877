import { describe, expect, it } from 'vitest';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import { isTaskMet } from '../../src/lesson/checkTask.js';
import type { Condition } from '../../src/lesson/condition/conditions.js';
import { judgeAlone } from './judgeAlone.js';

const points = Array.from({ length: 9 }, (_, index) => [index * 10, index % 2 === 0 ? 0 : 10]);
const start: FigureDocument = {
  ...emptyFigure(),
  items: [
    { id: 'c', name: 'C', kind: 'curve', curve: { degree: 3, knots: clampedUniformKnots(9, 3), points } },
    { id: 't', name: 'T', kind: 'point', at: [0, 3] },
    { id: 'b', name: 'B', kind: 'built', operation: { name: 'curveOfDegree', source: 'c', degree: 8 } },
  ],
};

function judge(condition: Condition, ...commands: FigureCommand[]) {
  let figure = start;
  for (const command of commands) figure = applyFigureCommand(figure, command).document;
  return judgeAlone(condition, start, figure);
}

const move = (index: number, to: number[]): FigureCommand => ({
  name: 'moveControlPoint',
  item: 'c',
  index,
  to,
});

describe('conditions', () => {
  it('curveThroughPoint measures the distance from the curve', () => {
    const condition: Condition = { kind: 'curveThroughPoint', item: 'c', target: 't', tolerance: 0.5 };
    const before = judge(condition);
    expect(before.met).toBe(false);
    expect(before.measured).toBeGreaterThan(0.5);
    expect(judge(condition, move(0, [0, 3]))).toEqual({ met: true, measured: 0 });
    expect(judge({ ...condition, target: 'nobody' })).toEqual({ met: false, measured: null });
    expect(judge({ ...condition, item: 'b' }, move(0, [0, 3])).met).toBe(true);
  });

  it('pointAtPlace judges control points and edit points', () => {
    const place = [40, 30];
    const control: Condition = {
      kind: 'pointAtPlace',
      item: 'c',
      of: 'controlPoints',
      index: 4,
      place,
      tolerance: 0.1,
    };
    const edit: Condition = { ...control, of: 'editPoints' };
    expect(judge(control).measured).toBeCloseTo(30, 12);
    expect(judge(control, move(4, [40, 30.05])).met).toBe(true);
    expect(judge(edit, move(4, [40, 30.05])).met).toBe(false);
    expect(judge(edit, { name: 'moveEditPoint', item: 'c', index: 4, to: place }).met).toBe(true);
    expect(judge({ ...control, index: 99 })).toEqual({ met: false, measured: null });
  });

  it('pointsUnmoved tells a move of edit points from one of control points', () => {
    const condition: Condition = {
      kind: 'pointsUnmoved',
      item: 'c',
      of: 'editPoints',
      indices: [1, 2, 3, 5, 6, 7],
      tolerance: 1e-6,
    };
    expect(judge(condition, { name: 'moveEditPoint', item: 'c', index: 4, to: [40, 9] }).met).toBe(true);
    expect(judge(condition, move(4, [40, 9])).met).toBe(false);
  });

  it('spansUnmoved counts: a control point of a cubic moves four of six spans, an edit point all', () => {
    const condition: Condition = { kind: 'spansUnmoved', item: 'c', atLeast: 2, tolerance: 1e-9 };
    expect(judge(condition)).toEqual({ met: true, measured: 6 });
    expect(judge(condition, move(4, [40, 9]))).toEqual({ met: true, measured: 2 });
    expect(judge(condition, { name: 'moveEditPoint', item: 'c', index: 4, to: [40, 9] })).toEqual({
      met: false,
      measured: 0,
      // Two more would have to stay.
      off: -2,
    });
  });

  it('curvatureAtMost and inflectionsAtMost measure the whole curve', () => {
    const straighten = points.map((_, index) => move(index, [index * 10, 0]));
    expect(judge({ kind: 'curvatureAtMost', item: 'c', limit: 1e-9 }, ...straighten).met).toBe(true);
    expect(judge({ kind: 'curvatureAtMost', item: 'c', limit: 1e-9 }).met).toBe(false);
    expect(judge({ kind: 'inflectionsAtMost', item: 'c', atMost: 0 }).measured).toBe(6);
    const parabola = points.map((_, index) => move(index, [index * 10, (index - 4) ** 2]));
    expect(judge({ kind: 'inflectionsAtMost', item: 'c', atMost: 0 }, ...parabola)).toEqual({
      met: true,
      measured: 0,
    });
  });
});

describe('a task', () => {
  it('is met when every condition is, and never without conditions', () => {
    expect(isTaskMet([{ met: true, measured: 1 }])).toBe(true);
    expect(
      isTaskMet([
        { met: true, measured: 1 },
        { met: false, measured: 1 },
      ]),
    ).toBe(false);
    expect(isTaskMet([])).toBe(false);
  });
});
