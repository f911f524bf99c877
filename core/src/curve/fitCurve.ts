import { refuseSignedWeights } from './betweenPoles.js';
import { isRational, type Curve } from './curve.js';
import { familyOf, type Improved } from './curveFamily.js';
import { largestDeviation } from './deviation.js';
import { elevateDegree } from './elevateDegree.js';
import { validateDegree } from './knotVector.js';
import { maximumSpanCount, validateTolerance, type ToleranceFit } from './refit.js';
import type { Approximation } from './removeKnot.js';

/** Beyond so many tolerances no better places of knots bring a curve within it, nor beyond so many after some steps. */
const hopeless = 20;
const hopefulAfter = { starts: 4, best: 3.3, exchanges: 1.5, more: 1 };

/**
 * A curve of a chosen degree, without weights, that stays within a tolerance of another with as few spans
 * as were found (P&T 9.4.3; dB XII; Jupp 1978). It is one of a family that does not depend on the tolerance, so that more
 * tolerance never costs more points: for each of some numbers of spans the curves with knots placed by the source's
 * derivatives, by where these leave the largest distance, at the source's knots, evenly, and by length; those whose knots
 * were moved from there to where the distance is smallest; and the source itself, where the degree allows it. Where the
 * source is less smooth than a knot makes it, a knot of that multiplicity stays.
 * @param tolerance largest distance, above 0, in the drawing's unit
 * @throws CurveError `degree`, `tolerance`
 */
export function fitCurveToTolerance(curve: Curve, degree: number, tolerance: number): ToleranceFit {
  refuseSignedWeights(curve);
  validateDegree(degree);
  validateTolerance(tolerance);
  const family = familyOf(curve, degree);
  const counts = spanCounts(curve);
  let nearest: Approximation | undefined;
  /** The first of some curves that stays within the tolerance, and how close one of them comes at some places. */
  const firstOf = (curves: Iterable<Curve>): { found?: Approximation; closest: number } => {
    let closest = Infinity;
    for (const fitted of curves) {
      const distance = family.distanceOf(fitted);
      closest = Math.min(closest, distance);
      // What is off at some places, and not by much less than the nearest, need not be measured everywhere.
      if (nearest && distance > Math.max(tolerance, nearest.deviation.distance / 2)) continue;
      const found = { curve: fitted, deviation: largestDeviation(curve, fitted) };
      if (!nearest || found.deviation.distance < nearest.deviation.distance) nearest = found;
      if (found.deviation.distance <= tolerance) return { found, closest };
      // What happens between the places is too quick for them to guide a search.
      if (distance <= tolerance && found.deviation.distance > 2 * tolerance) return { closest: Infinity };
    }
    return { closest };
  };
  /** Those of a family's steps that may be within the tolerance, as long as there is hope. */
  function* hopeful(steps: Iterable<Improved>): Generator<Curve> {
    let closest = Infinity;
    let last: Improved['stage'] = 'starts';
    for (const { largest, stage, fitted } of steps) {
      if (stage !== last && closest > hopefulAfter[last] * tolerance) return;
      last = stage;
      closest = Math.min(closest, largest);
      if (largest <= tolerance) yield fitted();
    }
  }
  const known = new Map<number, Approximation | undefined>();
  const within = (index: number): Approximation | undefined => {
    if (known.has(index)) return known.get(index);
    const placed = firstOf(family.placed(counts[index]!));
    let { found } = placed;
    if (!found && placed.closest <= hopeless * tolerance) {
      found = firstOf(hopeful(family.improved(counts[index]!))).found;
    }
    known.set(index, found);
    return found;
  };
  // By halving, and then a few fewer, since one less may do where one more does not: both keep the order of tolerances.
  const low = firstWithin(counts.length, within);
  let best = low < counts.length ? within(low) : undefined;
  for (let index = low - 1; best && index >= Math.max(0, low - 2); index--) best = within(index) ?? best;
  const exact = inDegree(curve, degree);
  if (exact && (!best || exact.points.length < best.curve.points.length)) {
    best = { curve: exact, deviation: largestDeviation(curve, exact) };
  }
  if (best) return { ...best, reached: best.deviation.distance <= tolerance };
  return { ...nearest!, reached: false };
}

/** The first index for which an attempt succeeds, by halving; the length where none does. */
function firstWithin(length: number, attempt: (index: number) => unknown): number {
  let [low, high] = [0, length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (attempt(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** The numbers of spans that are tried: all of the small ones, then four in a hundred more each time. */
function spanCounts({ periodic }: Curve): number[] {
  const counts: number[] = [];
  for (
    let count = periodic ? 2 : 1;
    count <= maximumSpanCount;
    count += Math.max(1, Math.round(count / 25))
  ) {
    counts.push(count);
  }
  return counts;
}

/** The source itself at the degree, where that is not lower and the source has no weights. */
function inDegree(curve: Curve, degree: number): Curve | undefined {
  if (isRational(curve) || degree < curve.degree) return undefined;
  const { weights: _, ...plain } = curve;
  return degree === curve.degree ? plain : elevateDegree(plain, degree - curve.degree);
}
