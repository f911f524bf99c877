import { spanPolynomials, speedsAt, type Curve } from '@bogen/core';
import { samplesOf } from '../figure/geometry.js';
import { functionTrack } from './functionTrack.js';

const knownSpeeds = new WeakMap<Curve, Float64Array>();

/** |C′| at the curve's samples; where it jumps at a knot, from both sides. */
export function speedsOf(curve: Curve): Float64Array {
  let speeds = knownSpeeds.get(curve);
  if (!speeds) {
    const { parameters, perSpan } = samplesOf(curve);
    // A hair inside the span's end the speed is that from the left.
    const inside = parameters.map((u, k) =>
      k % (perSpan + 1) === perSpan ? u - 1e-9 * (u - parameters[k - perSpan]!) : u,
    );
    speeds = speedsAt(spanPolynomials(curve, 1), inside);
    knownSpeeds.set(curve, speeds);
  }
  return speeds;
}

/** Arc length from the start at the curve's samples, as exact as a plot needs: by the trapezium rule. */
export function lengthsOf(curve: Curve): Float64Array {
  const { parameters } = samplesOf(curve);
  const speeds = speedsOf(curve);
  const lengths = new Float64Array(parameters.length);
  for (let k = 1; k < lengths.length; k++) {
    const step = parameters[k]! - parameters[k - 1]!;
    lengths[k] = lengths[k - 1]! + (step * (speeds[k]! + speeds[k - 1]!)) / 2;
  }
  return lengths;
}

/** How fast the curve runs over its parameter. */
export const speedTrack = functionTrack('speed', speedsOf);

/** Arc length against the parameter: straight where the parameter is even. */
export const lengthTrack = functionTrack('length', lengthsOf);
