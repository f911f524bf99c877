import type { Curve, Point } from '../curve/curve.js';
import { editPoints } from '../curve/editPoint.js';
import { nearestPoint } from '../curve/nearest.js';
import { sampleCurve } from '../curve/sample.js';
import { itemOf, type FigureDocument, type PointKind } from '../figure/document.js';
import { curveOf, evaluateFigure, type Evaluation } from '../figure/evaluate.js';
import type { Condition, ConditionResult, Task } from './condition.js';

/** A figure with its geometry, so that several conditions share one evaluation. */
interface Judged {
  readonly document: FigureDocument;
  readonly evaluation: Evaluation;
}

const failed: ConditionResult = { met: false, measured: null };

/**
 * Judges a task by calculation. The same function runs in the browser, at once, and on the server, so
 * that a result is not a claim.
 * @param start the figure as it was given
 * @param figure the figure as the student has it
 * @returns one result for each condition, in order
 */
export function checkTask(
  task: Task,
  start: FigureDocument,
  figure: FigureDocument,
  evaluation = evaluateFigure(figure),
): ConditionResult[] {
  const now = { document: figure, evaluation };
  const before = { document: start, evaluation: evaluateFigure(start) };
  return task.conditions.map((condition) => checkCondition(condition, before, now));
}

/** Whether every condition is met; a task without conditions is never done by itself. */
export function isTaskMet(results: readonly ConditionResult[]): boolean {
  return results.length > 0 && results.every(({ met }) => met);
}

function checkCondition(condition: Condition, start: Judged, figure: Judged): ConditionResult {
  const curve = curveOf(figure.evaluation, condition.item);
  const startCurve = curveOf(start.evaluation, condition.item);
  if (!curve || !startCurve) return failed;
  switch (condition.kind) {
    case 'curveThroughPoint': {
      const target = itemOf(figure.document, condition.target);
      if (target?.kind !== 'point') return failed;
      return atMost(nearestPoint(curve, target.at).distance, condition.tolerance);
    }
    case 'pointAtPlace': {
      const point = pointsOf(curve, condition.of)[condition.index];
      return point ? atMost(distance(point, condition.place), condition.tolerance) : failed;
    }
    case 'pointsUnmoved': {
      const before = pointsOf(startCurve, condition.of);
      const now = pointsOf(curve, condition.of);
      if (condition.indices.some((index) => !before[index] || !now[index])) return failed;
      const moves = condition.indices.map((index) => distance(before[index]!, now[index]!));
      return atMost(Math.max(0, ...moves), condition.tolerance);
    }
    case 'spansUnmoved': {
      const count = unmovedSpans(startCurve, curve, condition.tolerance);
      return { met: count >= condition.atLeast, measured: count };
    }
    case 'curvatureAtMost': {
      const { curvature } = sampleCurve(curve, 64);
      return atMost(
        curvature.reduce((largest, value) => Math.max(largest, Math.abs(value)), 0),
        condition.limit,
      );
    }
    case 'inflectionsAtMost':
      return atMost(inflectionCount(curve), condition.atMost);
  }
}

function atMost(measured: number, limit: number): ConditionResult {
  return { met: measured <= limit, measured };
}

function pointsOf(curve: Curve, of: PointKind): readonly Point[] {
  return of === 'controlPoints' ? curve.points : editPoints(curve).map(({ point }) => point);
}

/** How many spans of `now` lie, sample by sample, where they lay in `before`. */
export function unmovedSpans(before: Curve, now: Curve, tolerance: number): number {
  const first = sampleCurve(before, 16);
  const second = sampleCurve(now, 16);
  if (first.spanCount !== second.spanCount) return 0;
  let count = 0;
  const stride = 17 * first.dimension;
  for (let span = 0; span < first.spanCount; span++) {
    let moved = false;
    for (let at = span * stride; at < (span + 1) * stride && !moved; at++) {
      moved = !(Math.abs(first.coordinates[at]! - second.coordinates[at]!) <= tolerance);
    }
    if (!moved) count++;
  }
  return count;
}

function inflectionCount(curve: Curve): number {
  const { curvature } = sampleCurve(curve, 64);
  const largest = curvature.reduce((size, value) => Math.max(size, Math.abs(value)), 0);
  let sign = 0;
  let count = 0;
  for (const value of curvature) {
    // Below this fraction of the peak the sign is rounding, not shape.
    if (Math.abs(value) <= largest * 1e-9) continue;
    if (sign !== 0 && Math.sign(value) !== sign) count++;
    sign = Math.sign(value);
  }
  return count;
}

function distance(a: Point, b: Point): number {
  return Math.hypot(...a.map((coordinate, axis) => coordinate - b[axis]!));
}
