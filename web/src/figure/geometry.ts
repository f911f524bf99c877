import {
  distinctKnots,
  editPoints,
  guaranteedContinuity,
  lengthOfCurve,
  sampleBasis,
  sampleCurve,
  spanPolynomials,
  spansOf,
  speedsAt,
  type BasisSamples,
  type Curve,
  type CurveSamples,
  type EditPoint,
} from '@bogen/core';

/** Computes once for each object and keeps the result as long as the object lives. */
function memoise<Key extends object, Value>(compute: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, Value>();
  return (key) => {
    let value = known.get(key);
    if (value === undefined) {
      value = compute(key);
      known.set(key, value);
    }
    return value;
  };
}

const stepsPerSpan = (curve: Curve): number =>
  Math.max(8, Math.min(48, Math.round(420 / spansOf(curve.knots, curve.degree).length)));

/** A curve and its first two derivatives, span by span. */
const polynomialsOf = memoise((curve: Curve) => spanPolynomials(curve, 2));

/** What is drawn of a curve, computed when it is first asked for. Curves are immutable. */
export const samplesOf: (curve: Curve) => CurveSamples = memoise((curve) =>
  sampleCurve(curve, stepsPerSpan(curve), polynomialsOf(curve)),
);

export const editPointsOf: (curve: Curve) => readonly EditPoint[] = memoise((curve) => {
  try {
    return editPoints(curve);
  } catch {
    // An unclamped knot vector has none inside its domain.
    return [];
  }
});

export const lengthOf: (curve: Curve) => number = memoise((curve) => lengthOfCurve(curve, 1e-9));

/** |C′| at the curve's samples; where it jumps at a knot, from both sides. */
export const speedsOf: (curve: Curve) => Float64Array = memoise((curve) => {
  const { parameters, perSpan } = samplesOf(curve);
  // A hair inside the span's end the speed is that from the left.
  const inside = parameters.map((u, k) =>
    k % (perSpan + 1) === perSpan ? u - 1e-9 * (u - parameters[k - perSpan]!) : u,
  );
  return speedsAt(polynomialsOf(curve), inside);
});

/** The largest absolute curvature among a curve's samples. */
export const largestCurvature: (curve: Curve) => number = memoise((curve) => {
  let largest = 0;
  for (const value of samplesOf(curve).curvature) largest = Math.max(largest, Math.abs(value));
  return largest;
});

export const distinctKnotsOf = memoise((curve: Curve) => distinctKnots(curve.knots, curve.degree));

export const continuityOf = memoise((curve: Curve) => guaranteedContinuity(curve));

const basisByKnots = new WeakMap<
  readonly number[],
  { key: readonly number[] | undefined; samples: BasisSamples }
>();

/** The basis depends on knots and weights alone, which a moved point leaves the same objects. */
export function basisOf(curve: Curve): BasisSamples {
  const known = basisByKnots.get(curve.knots);
  if (known && known.key === curve.weights) return known.samples;
  const samples = sampleBasis(curve, stepsPerSpan(curve));
  basisByKnots.set(curve.knots, { key: curve.weights, samples });
  return samples;
}
