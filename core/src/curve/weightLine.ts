import { basisFunctions } from './basis.js';
import type { Curve, Point } from './curve.js';
import { editParameters } from './editPoint.js';
import { findSpan } from './knotVector.js';
import { distinctPointCount, twinsOf } from './periodic.js';

/** A line on which a place moves as the weight of one control point changes. */
export interface WeightLine {
  /** The control point whose weight it is. */
  readonly index: number;
  /** The curve's parameter, where the place is a point of the curve. */
  readonly parameter?: number;
  /** Where the place would be without the control point, and the control point itself. */
  readonly from: Point;
  readonly to: Point;
  /** How far along it is, from 0 to 1; outside of that for a negative weight. */
  readonly share: number;
  /** The weight at which it would be halfway. */
  readonly others: number;
}

/** The weight with which the place of a line stands at a share of it, below 1: positive above 0, and negative below. */
export function weightAtShare({ others }: WeightLine, share: number): number {
  return (others * share) / (1 - share);
}

/** The share of the line at which its place stands with a weight. */
export function shareOfWeight({ others }: WeightLine, weight: number): number {
  return weight / (weight + others);
}

/**
 * The lines along which points of the curve move by the weights: for each control point that of the curve's point at
 * its Greville abscissa, which moves straight to the control point as its weight grows (P&T 4.2, eq. 4.4).
 * @returns ascending by control point; none for one that the curve passes there whatever its weight is
 */
export function weightLines(curve: Curve): WeightLine[] {
  const { degree, knots, points } = curve;
  const weights = curve.weights ?? points.map(() => 1);
  return editParameters(curve)
    .slice(0, distinctPointCount(curve))
    .flatMap((parameter, index): WeightLine[] => {
      const twins = new Set(twinsOf(curve, index));
      const span = findSpan(knots, degree, parameter);
      const values = basisFunctions(knots, degree, span, parameter);
      let own = 0;
      let others = 0;
      const sum = points[0]!.map(() => 0);
      for (let k = 0; k <= degree; k++) {
        const at = span - degree + k;
        if (twins.has(at)) {
          own += values[k]!;
          continue;
        }
        const weighted = values[k]! * weights[at]!;
        others += weighted;
        points[at]!.forEach((value, axis) => (sum[axis]! += weighted * value));
      }
      if (!(own > 0 && others > 1e-12 * own)) return [];
      const line = {
        index,
        parameter,
        from: sum.map((value) => value / others),
        to: points[index]!,
        share: 0,
        others: others / own,
      };
      return [{ ...line, share: shareOfWeight(line, weights[index]!) }];
    });
}

/**
 * The weight points of a rational curve: on each leg of its control polygon the place that divides it in the ratio of
 * the weights of its ends, as lines of the second end's weight (P&T 4.2; F 13).
 */
export function weightPointLines(curve: Curve): WeightLine[] {
  const { points } = curve;
  const weights = curve.weights ?? points.map(() => 1);
  return points.slice(0, distinctPointCount(curve) - 1).flatMap((from, index): WeightLine[] => {
    // Only two positive weights divide the leg between them.
    if (!(weights[index]! > 0 && weights[index + 1]! > 0)) return [];
    const line = { index: index + 1, from, to: points[index + 1]!, share: 0, others: weights[index]! };
    return [{ ...line, share: shareOfWeight(line, weights[index + 1]!) }];
  });
}
