import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { curveOfRows, homogeneousRows } from './homogeneous.js';
import { insertKnot } from './insertKnot.js';
import { distinctKnots, domainOf, relativeKnotTolerance } from './knotVector.js';
import { withoutPeriod } from './periodic.js';
import { validateParameter } from './validate.js';

/** The knot that stands at `u`, within tolerance, or `u` itself with multiplicity 0. */
function knotAt({ knots, degree }: Curve, u: number): { value: number; multiplicity: number } {
  const [start, end] = domainOf(knots, degree);
  const tolerance = relativeKnotTolerance * (end - start);
  return (
    distinctKnots(knots, degree).find(({ value }) => Math.abs(value - u) < tolerance) ?? {
      value: u,
      multiplicity: 0,
    }
  );
}

/** The same curve with the knot at `u` standing at least as often as the degree. */
function saturate(curve: Curve, u: number): Curve {
  const { multiplicity } = knotAt(curve, u);
  return multiplicity >= curve.degree ? curve : insertKnot(curve, u, curve.degree - multiplicity);
}

/**
 * The part of a curve between two parameters, as a clamped curve on that interval (P&T 5.2: knot
 * insertion up to multiplicity p, then a cut). The whole domain gives the same curve with clamped ends.
 * @param from,to parameters in the domain, `from < to` by 1e-9 of its length or more
 * @throws CurveError `parameter`, `empty-domain`
 */
export function extractPart(curve: Curve, from: number, to: number): Curve {
  validateParameter(curve, from);
  validateParameter(curve, to);
  const [start, end] = domainOf(curve.knots, curve.degree);
  if (!(to - from >= relativeKnotTolerance * (end - start))) {
    throw new CurveError('empty-domain', told('partWithoutLength', { start: from, end: to }), { value: to });
  }
  const { degree } = curve;
  const refined = saturate(saturate(withoutPeriod(curve), from), to);
  const first = knotAt(refined, from).value;
  const last = knotAt(refined, to).value;
  const { knots } = refined;
  // At a gap the left cut begins after it and the right cut ends before it.
  const begin = knots.lastIndexOf(first);
  const finish = knots.indexOf(last);
  const inner = knots.slice(begin + 1, finish);
  const rows = homogeneousRows(refined).slice(begin - degree, finish);
  const ends = (value: number): number[] => Array<number>(degree + 1).fill(value);
  return curveOfRows(curve, degree, [...ends(first), ...inner, ...ends(last)], rows);
}

/**
 * Splits a curve at a parameter inside its domain into two clamped curves, which keep their parameters.
 * @throws CurveError `parameter` where `u` is not strictly inside
 */
export function splitCurve(curve: Curve, u: number): [Curve, Curve] {
  validateParameter(curve, u);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const tolerance = relativeKnotTolerance * (end - start);
  if (u - start < tolerance || end - u < tolerance) {
    throw new CurveError('parameter', told('splitAtEnd', { parameter: u }), { value: u });
  }
  return [extractPart(curve, start, u), extractPart(curve, u, end)];
}

/** The same curve with both ends clamped; a clamped curve is given back as it is. */
export function clampEnds(curve: Curve): Curve {
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  const last = knots.length - 1;
  if (!curve.periodic && knots[0] === start && knots[last] === end) return curve;
  return extractPart(curve, start, end);
}
