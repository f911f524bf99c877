import { spend } from './effort.js';
import { sampledParts } from './betweenPoles.js';
import type { Curve } from './curve.js';
import { spanEvaluator } from './spanEvaluator.js';
import { spanPolynomials, type SpanPolynomials } from './spanPolynomials.js';

/**
 * A curve sampled span by span for drawing: its points, unit tangents, speeds and curvature. Every span has both
 * its ends, so what jumps at a knot stands there twice, from the left and from the right.
 */
export interface CurveSamples {
  readonly dimension: number;
  /** Number of spans, or of parts of them between poles; each has `perSpan + 1` samples, one after the other. */
  readonly spanCount: number;
  readonly perSpan: number;
  /** Whether a span begins where the one before it ends; 0 for the first, after a gap and after a pole. */
  readonly joined: Uint8Array;
  /** Which of the curve's spans each belongs to. */
  readonly spanOf: Int32Array;
  readonly parameters: Float64Array;
  /** `dimension` coordinates a sample. */
  readonly coordinates: Float64Array;
  /** `dimension` coordinates a sample; zero where the curve stands still. */
  readonly tangents: Float64Array;
  /** |C′|. */
  readonly speeds: Float64Array;
  /** Signed curvature in the plane (positive turns left), absolute in space; 0 where it stands still. */
  readonly curvature: Float64Array;
}

/**
 * Samples a curve evenly in the parameter, `perSpan` steps to each span or part of one between poles, from its spans' Bézier forms
 * and those of their first and second derivatives.
 * @param perSpan steps a span, at least 1
 * @param polynomials of the curve, to the second derivative, where they are known
 */
export function sampleCurve(
  curve: Curve,
  perSpan: number,
  polynomials: SpanPolynomials = spanPolynomials(curve, 2),
): CurveSamples {
  const { dimension } = polynomials;
  const spans = sampledParts(curve);
  const evaluate = spanEvaluator(polynomials, 2);
  const total = spans.length * (perSpan + 1);
  spend(total);
  const parameters = new Float64Array(total);
  const coordinates = new Float64Array(total * dimension);
  const tangents = new Float64Array(total * dimension);
  const speeds = new Float64Array(total);
  const curvature = new Float64Array(total);
  const values = new Float64Array(3 * dimension);
  const value = values.subarray(0, dimension);
  const first = values.subarray(dimension, 2 * dimension);
  const second = values.subarray(2 * dimension);
  let sample = 0;
  for (let s = 0; s < spans.length; s++) {
    const { start, end, span } = spans[s]!;
    for (let step = 0; step <= perSpan; step++, sample++) {
      const u = step === perSpan ? end : start + ((end - start) * step) / perSpan;
      parameters[sample] = u;
      evaluate(span, u, values, 0);
      let speedSquared = 0;
      for (let axis = 0; axis < dimension; axis++) speedSquared += first[axis]! * first[axis]!;
      const speed = Math.sqrt(speedSquared);
      speeds[sample] = speed;
      for (let axis = 0; axis < dimension; axis++) {
        coordinates[sample * dimension + axis] = value[axis]!;
        tangents[sample * dimension + axis] = speed > 0 ? first[axis]! / speed : 0;
      }
      if (speed > 0) {
        const z = first[0]! * second[1]! - first[1]! * second[0]!;
        const turn =
          dimension === 2
            ? z
            : Math.hypot(
                z,
                first[1]! * second[2]! - first[2]! * second[1]!,
                first[2]! * second[0]! - first[0]! * second[2]!,
              );
        curvature[sample] = turn / (speedSquared * speed);
      }
    }
  }
  const spanCount = spans.length;
  const spanOf = Int32Array.from(spans, ({ span }) => span);
  const joined = Uint8Array.from(spans, ({ start, index }, s) => {
    if (s === 0 || spans[s - 1]!.end !== start) return 0;
    // Between two spans only full multiplicity lets the curve jump.
    return spans[s - 1]!.index === index || curve.knots[index - curve.degree]! < start ? 1 : 0;
  });
  return {
    dimension,
    spanCount,
    perSpan,
    joined,
    spanOf,
    parameters,
    coordinates,
    tangents,
    speeds,
    curvature,
  };
}
