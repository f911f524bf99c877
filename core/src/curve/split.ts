import { told } from '../told/told.js';
import { rowsOfPieces } from './assemble.js';
import type { Curve } from './curve.js';
import { decompose } from './decompose.js';
import { CurveError } from './error.js';
import { curveOfRows, homogeneousRows, withPositiveWeights } from './homogeneous.js';
import { insertKnot } from './insertKnot.js';
import { distinctKnots, domainOf, interiorKnots, relativeKnotTolerance } from './knotVector.js';
import { withoutPeriod } from './periodic.js';
import { refineRows } from './refine.js';
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

/**
 * Splits a curve at all its interior knots; its pieces are clamped and keep their parameters. All knots are raised to
 * multiplicity p at once, so that the work grows with the curve.
 */
export function splitAtKnots(curve: Curve): Curve[] {
  const { degree } = curve;
  const clamped = clampEnds(curve);
  const inner = interiorKnots(clamped.knots, degree);
  const missing = inner.flatMap(({ value, multiplicity }) =>
    Array<number>(Math.max(0, degree - multiplicity)).fill(value),
  );
  const { knots, rows } = refineRows(
    { knots: clamped.knots, rows: homogeneousRows(clamped) },
    degree,
    missing,
  );
  const [start, end] = domainOf(knots, degree);
  const places = [
    { value: start, first: 0 },
    ...interiorKnots(knots, degree),
    { value: end, first: rows.length },
  ];
  const ends = (value: number): number[] => Array<number>(degree + 1).fill(value);
  return places.slice(1).map((place, index) => {
    const before = places[index]!;
    // A piece has its p + 1 points, the last just before the knot that ends it unless that is a gap.
    const first = knots.lastIndexOf(before.value, before.first + degree) - degree;
    return curveOfRows(
      curve,
      degree,
      [...ends(before.value), ...ends(place.value)],
      rows.slice(first, first + degree + 1),
    );
  });
}

/** The same curve with both ends clamped; a clamped curve is given back as it is. */
export function clampEnds(curve: Curve): Curve {
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  const last = knots.length - 1;
  if (!curve.periodic && knots[0] === start && knots[last] === end) return curve;
  return extractPart(curve, start, end);
}

/**
 * The same curve with unclamped ends: the outer knots continue the spacing of the first and the last
 * spans, and the control points beside the ends move out to where the curve no longer starts and ends
 * (P&T A12.1, here as blossom values). `clampEnds` takes it back.
 * @throws CurveError `unsupported` for a periodic curve, `weight` where a control point that moves out would
 * reach infinity or pass it
 */
export function unclampEnds(curve: Curve): Curve {
  if (curve.periodic) {
    throw new CurveError('unsupported', told('unclampPeriodic'));
  }
  const { degree } = curve;
  const clamped = clampEnds(curve);
  const inner = clamped.knots.slice(degree, clamped.knots.length - degree);
  const spacing = (index: number): number => {
    // Repeated knots would repeat outside too; the next real span gives the step.
    const step = inner[index + 1]! - inner[index]!;
    return step > 0 ? step : (inner.at(-1)! - inner[0]!) / Math.max(1, inner.length - 1);
  };
  const before: number[] = [];
  const after: number[] = [];
  for (let k = 0; k < degree; k++) {
    const first = before[0] ?? inner[0]!;
    before.unshift(first - spacing(Math.min(k, inner.length - 2)));
    const last = after.at(-1) ?? inner.at(-1)!;
    after.push(last + spacing(Math.max(0, inner.length - 2 - k)));
  }
  const open = [...before, ...inner, ...after];
  return withPositiveWeights(
    curveOfRows(curve, degree, open, rowsOfPieces(decompose(clamped), open, degree)),
  );
}
