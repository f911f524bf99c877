import { refuseSignedWeights } from './betweenPoles.js';
import { chainOfCurve, curveOfChain } from './bezierChain.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { largestDistance } from './hausdorff.js';
import { editPoints } from './editPoint.js';
import { interpolate, interpolateClosed } from './interpolate.js';
import { clampedKnotVector, domainOf, interiorKnots } from './knotVector.js';
import { monotoneCubic } from './monotone.js';
import { pointAt } from './evaluate.js';
import type { Approximation } from './removeKnot.js';
import { sizeOf } from './sizeOf.js';
import { told } from '../told/told.js';
import { distance } from './vector.js';
import type { CurveKind } from './curveKinds.js';

/**
 * A curve as another kind, with the deviation that results.
 * - `straight`: straight pieces between the curve's points at its knots (a single span: its edit points).
 * - `monotone`: the monotone cubic through the same places.
 * - `bezier`: a chain of cubic pieces, exact up to degree 3 without weights.
 * - `bspline`: the smooth cubic through the same places, closed if the curve is periodic.
 * @throws CurveError `point` where all of the curve lies on one place
 */
export function convertCurve(curve: Curve, kind: CurveKind): Approximation {
  refuseSignedWeights(curve);
  const converted = convert(curve, kind);
  const { distance, onFirst, parameters } = largestDistance(curve, converted);
  return { curve: converted, deviation: { distance, parameter: parameters[0], point: onFirst } };
}

function convert(curve: Curve, kind: CurveKind): Curve {
  if (kind === 'bezier') return curveOfChain(chainOfCurve(curve));
  const places = distinctPlaces(curve);
  if (kind === 'bspline') {
    return curve.periodic && places.length > 3
      ? interpolateClosed(places.slice(0, -1), 3).curve
      : interpolate(places, 3).curve;
  }
  if (kind === 'monotone') return monotoneCubic(places);
  const [start, end] = domainOf(curve.knots, curve.degree);
  const inner = places.slice(1, -1).map((_, k) => ({
    value: start + ((end - start) * (k + 1)) / (places.length - 1),
    multiplicity: 1,
  }));
  return { degree: 1, knots: clampedKnotVector(start, end, inner, 1), points: places };
}

/**
 * The curve's points at the ends of its spans, or its edit points where it has one span or all of those coincide;
 * neighbours apart.
 * @throws CurveError `point` where the edit points coincide too
 */
function distinctPlaces(curve: Curve): Point[] {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const inner = interiorKnots(curve.knots, curve.degree).map(({ value }) => value);
  const size = sizeOf(curve);
  const apart = (parameters: readonly number[]): Point[] => {
    const places = parameters.map((u) => pointAt(curve, u));
    return places.filter((place, k) => k === 0 || distance(place, places[k - 1]!) > 1e-12 * size);
  };
  const atKnots = inner.length > 0 ? apart([start, ...inner, end]) : [];
  const places = atKnots.length > 1 ? atKnots : apart(editPoints(curve).map(({ parameter }) => parameter));
  if (places.length > 1) return places;
  throw new CurveError('point', told('nothingToConvert'), { value: places[0] });
}
