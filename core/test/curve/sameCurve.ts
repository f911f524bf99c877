import type { Curve } from '../../src/curve/curve.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { domainOf, spansOf } from '../../src/curve/knotVector.js';
import { sizeOf } from './arbitrary.js';
import { expectClose } from './reference.js';

/** Expects two curves to agree at many parameters of the first, mapped to the second's. */
export function expectSameCurve(a: Curve, b: Curve, map = (u: number): number => u, tolerance = 1e-12): void {
  const size = Math.max(sizeOf(a), sizeOf(b));
  for (const { start, end } of spansOf(a.knots, a.degree)) {
    for (const t of [0, 0.25, 0.5, 0.9]) {
      const u = start + t * (end - start);
      expectClose(pointAt(b, map(u)), pointAt(a, u), tolerance, size);
    }
  }
}

/**
 * Expects two curves to agree at parameters that should be the same place. A parameter that had to be
 * calculated is off by its rounding, and the point by that times the speed.
 */
export function expectSamePlace(a: Curve, u: number, b: Curve, v: number, size = sizeOf(a)): void {
  const [point, first] = derivativesAt(a, u, 1);
  const [start, end] = domainOf(a.knots, a.degree);
  const rounding = 2 ** -50 * Math.max(1, Math.abs(start), Math.abs(end), Math.abs(v) / 4);
  expectClose(pointAt(b, v), point!, 1e-12, size + (Math.hypot(...first!) * rounding) / 1e-12);
}
