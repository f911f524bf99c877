import type { Curve, Point } from './curve.js';
import { curvatureAt } from './differential.js';
import { derivativesAt } from './evaluate.js';
import { interiorKnots } from './knotVector.js';

/** What changes abruptly at a knot, measured from both sides; zero where nothing does. */
export interface KnotJump {
  /** Parameter value of the knot. */
  readonly knot: number;
  readonly multiplicity: number;
  /** Distance between the two one-sided points, in the drawing's unit. */
  readonly position: number;
  /** Angle between the two one-sided tangents, in radians from 0 to π. */
  readonly direction: number;
  /** Difference of the two speeds against the larger of them, from 0 to 1. */
  readonly magnitude: number;
  /** Absolute difference of the two curvatures, in one over the unit. */
  readonly curvature: number;
}

/**
 * The jumps at every interior knot, from one-sided derivatives (P&T 5.5; F 11), so that a corner is told
 * from a mere change of speed, and accidental smoothness is seen. Where the curve stands still on a side,
 * it has neither direction nor curvature there, and these count as no jump.
 */
export function knotJumps(curve: Curve): KnotJump[] {
  return interiorKnots(curve.knots, curve.degree).map(({ value: knot, multiplicity }) => {
    const [before, firstBefore] = derivativesAt(curve, knot, 1, 'left') as [Point, Point];
    const [after, firstAfter] = derivativesAt(curve, knot, 1, 'right') as [Point, Point];
    const speedBefore = Math.hypot(...firstBefore);
    const speedAfter = Math.hypot(...firstAfter);
    const largest = Math.max(speedBefore, speedAfter);
    const [bendBefore, bendAfter] = [curvatureAt(curve, knot, 'left'), curvatureAt(curve, knot, 'right')];
    return {
      knot,
      multiplicity,
      position: Math.hypot(...before.map((coordinate, axis) => coordinate - after[axis]!)),
      direction: angleBetween(firstBefore, firstAfter),
      magnitude: largest > 0 ? Math.abs(speedAfter - speedBefore) / largest : 0,
      curvature: bendBefore === undefined || bendAfter === undefined ? 0 : Math.abs(bendAfter - bendBefore),
    };
  });
}

/** The angle between two vectors, exact also where it is tiny; 0 where one of them is zero. */
function angleBetween(a: Point, b: Point): number {
  const [sizeA, sizeB] = [Math.hypot(...a), Math.hypot(...b)];
  if (sizeA === 0 || sizeB === 0) return 0;
  const unitA = a.map((coordinate) => coordinate / sizeA);
  const unitB = b.map((coordinate) => coordinate / sizeB);
  const difference = Math.hypot(...unitA.map((coordinate, axis) => coordinate - unitB[axis]!));
  const sum = Math.hypot(...unitA.map((coordinate, axis) => coordinate + unitB[axis]!));
  return 2 * Math.atan2(difference, sum);
}
