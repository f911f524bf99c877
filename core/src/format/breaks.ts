import { distinctKnots, domainOf } from '../curve/knotVector.js';
import { splitCurve } from '../curve/split.js';
import type { Curve } from '../curve/curve.js';

/** Whether a clamped curve ends where it begins. */
export function isClosed({ points, knots, degree }: Curve): boolean {
  const isClamped = knots[0] === knots[degree] && knots.at(-1) === knots.at(-1 - degree);
  return isClamped && points[0]!.every((coordinate, axis) => coordinate === points.at(-1)![axis]);
}

/**
 * A curve in pieces that are each continuous: the standards allow a knot inside as often as the degree, and not once
 * more.
 */
export function withoutBreaks(curve: Curve): Curve[] {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const breaks = distinctKnots(curve.knots, curve.degree).filter(
    ({ value, multiplicity }) => multiplicity > curve.degree && value > start && value < end,
  );
  const pieces: Curve[] = [];
  let rest = curve;
  for (const { value } of breaks) {
    const [first, second] = splitCurve(rest, value);
    pieces.push(first);
    rest = second;
  }
  return [...pieces, rest];
}
