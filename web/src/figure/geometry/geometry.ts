import {
  distinctKnots,
  editPoints,
  guaranteedContinuity,
  lengthOfCurve,
  nearestFinder,
  sampleBasis,
  sampleCurve,
  spansOf,
  withPositiveForm,
  type BasisSamples,
  type Curve,
  type CurveSamples,
  type EditPoint,
} from '@bogen/core/curve';
import { evaluateFigure, type Evaluation, type FigureDocument } from '@bogen/core/figure';

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

/** What the items of a document come to, where there is nothing before it that would save work. */
export const evaluationOf: (document: FigureDocument) => Evaluation = memoise((document) =>
  evaluateFigure(document),
);

/** An even number, so that a span can be drawn as parabolas through three samples each. */
const stepsPerSpan = (curve: Curve): number =>
  2 * Math.max(4, Math.min(24, Math.round(210 / spansOf(curve.knots, curve.degree).length)));

/** What is drawn of a curve, computed when it is first asked for. Curves are immutable. */
export const samplesOf: (curve: Curve) => CurveSamples = memoise((curve) =>
  sampleCurve(curve, stepsPerSpan(curve)),
);

export const editPointsOf: (curve: Curve) => readonly EditPoint[] = memoise((curve) => {
  try {
    return editPoints(curve);
  } catch {
    // An unclamped knot vector has none inside its domain; with weights of zero and below there are none.
    return [];
  }
});

/** The arc length; nothing of a curve that runs to infinity. */
export function lengthOf(curve: Curve): number | undefined {
  const measured = withPositiveForm(curve);
  return measured && measuredLength(measured);
}

const measuredLength: (curve: Curve) => number = memoise((curve) => lengthOfCurve(curve, 1e-9));

/** The largest absolute curvature among a curve's samples. */
export const largestCurvature: (curve: Curve) => number = memoise((curve) => {
  let largest = 0;
  for (const value of samplesOf(curve).curvature) largest = Math.max(largest, Math.abs(value));
  return largest;
});

/** Which of a curve's points is nearest to a place; prepared once for all moves of a pull. */
export const nearestOn = memoise((curve: Curve) => nearestFinder(curve));

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
