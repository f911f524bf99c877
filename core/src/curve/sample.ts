import type { Curve } from './curve.js';
import { evaluateScaled, spanPolynomials } from './spanPolynomials.js';

/**
 * A curve sampled span by span for drawing: its points, unit tangents and curvature. Every span has both
 * its ends, so what jumps at a knot stands there twice, from the left and from the right.
 */
export interface CurveSamples {
  readonly dimension: number;
  /** Number of spans; each has `perSpan + 1` samples, one after the other. */
  readonly spanCount: number;
  readonly perSpan: number;
  readonly parameters: Float64Array;
  /** `dimension` coordinates a sample. */
  readonly coordinates: Float64Array;
  /** `dimension` coordinates a sample; zero where the curve stands still. */
  readonly tangents: Float64Array;
  /** Signed curvature in the plane (positive turns left), absolute in space; 0 where it stands still. */
  readonly curvature: Float64Array;
}

/**
 * Samples a curve evenly in the parameter, `perSpan` steps to each span, from its spans' Bézier forms
 * and those of their first and second derivatives.
 * @param perSpan steps a span, at least 1
 */
export function sampleCurve(curve: Curve, perSpan: number): CurveSamples {
  const { spans, degree, dimension, rational, components, scaled } = spanPolynomials(curve, 2);
  const [points, firsts, seconds] = scaled as [Float64Array, Float64Array, Float64Array];
  const lengths = [degree + 1, degree, Math.max(0, degree - 1)] as const;
  const total = spans.length * (perSpan + 1);
  const parameters = new Float64Array(total);
  const coordinates = new Float64Array(total * dimension);
  const tangents = new Float64Array(total * dimension);
  const curvature = new Float64Array(total);
  // Value, first and second derivative of each component, by t.
  const value = new Float64Array(components);
  const first = new Float64Array(components);
  const second = new Float64Array(components);
  let sample = 0;
  for (let s = 0; s < spans.length; s++) {
    const span = spans[s]!;
    for (let step = 0; step <= perSpan; step++, sample++) {
      const t = step / perSpan;
      parameters[sample] =
        step === perSpan ? span.end : span.start + ((span.end - span.start) * step) / perSpan;
      for (let component = 0; component < components; component++) {
        const row = s * components + component;
        value[component] = evaluateScaled(points, row * lengths[0], lengths[0], t);
        first[component] = evaluateScaled(firsts, row * lengths[1], lengths[1], t);
        second[component] = evaluateScaled(seconds, row * lengths[2], lengths[2], t);
      }
      if (rational) {
        const w = value[dimension]!;
        for (let axis = 0; axis < dimension; axis++) {
          const x = value[axis]! / w;
          const dx = (first[axis]! - first[dimension]! * x) / w;
          second[axis] = (second[axis]! - 2 * first[dimension]! * dx - second[dimension]! * x) / w;
          first[axis] = dx;
          value[axis] = x;
        }
      }
      let speedSquared = 0;
      for (let axis = 0; axis < dimension; axis++) speedSquared += first[axis]! * first[axis]!;
      const speed = Math.sqrt(speedSquared);
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
  return { dimension, spanCount: spans.length, perSpan, parameters, coordinates, tangents, curvature };
}
