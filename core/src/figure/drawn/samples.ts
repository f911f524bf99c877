import type { Curve } from '../../curve/curve.js';
import { distinctKnots, spansOf } from '../../curve/knotVector.js';
import { sampleCurve, type CurveSamples } from '../../curve/sample.js';
import { sampleBasis, type BasisSamples } from '../../curve/sampleBasis.js';
import { sampleDistances } from '../../curve/sampleDistances.js';
import { memoise } from './memoise.js';

/** An even number, so that a span can be drawn as parabolas through three samples each. */
const stepsPerSpan = (curve: Curve): number =>
  2 * Math.max(4, Math.min(24, Math.round(210 / spansOf(curve.knots, curve.degree).length)));

/** What is drawn of a curve, computed when it is first asked for. Curves are immutable. */
export const samplesOf: (curve: Curve) => CurveSamples = memoise((curve) =>
  sampleCurve(curve, stepsPerSpan(curve)),
);

export const distinctKnotsOf = memoise((curve: Curve) => distinctKnots(curve.knots, curve.degree));

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

let known: { curve: Curve; other: Curve; distances: Float64Array } | undefined;

/** Distances of a curve's samples from another curve; the last ones are kept. */
export function distancesOf(curve: Curve, other: Curve): Float64Array {
  if (known?.curve !== curve || known.other !== other) {
    known = { curve, other, distances: sampleDistances(samplesOf(curve), samplesOf(other)) };
  }
  return known.distances;
}
