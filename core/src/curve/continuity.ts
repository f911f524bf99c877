import type { Curve } from './curve.js';
import { interiorKnots } from './knotVector.js';

/** The order of parametric continuity that a knot's multiplicity guarantees. */
export interface GuaranteedContinuity {
  /** Parameter value of the knot. */
  readonly knot: number;
  readonly multiplicity: number;
  /** r in C^r: degree minus multiplicity; -1 where the curve may have a gap. */
  readonly order: number;
}

/**
 * What each interior knot guarantees: C^{p−m} at multiplicity m (P&T 2.4, P2.6). The curve itself may be
 * smoother there by accident of its points.
 */
export function guaranteedContinuity(curve: Curve): GuaranteedContinuity[] {
  return interiorKnots(curve.knots, curve.degree).map(({ value, multiplicity }) => ({
    knot: value,
    multiplicity,
    order: curve.degree - multiplicity,
  }));
}
