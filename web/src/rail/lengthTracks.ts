import { derivativesAt, nearestPoint, pointAt, type Curve } from '@bogen/core';
import { distancesOf } from '../figure/drawDeviation.js';
import { samplesOf } from '../figure/geometry.js';
import { functionTrack, type Plotted } from './functionTrack.js';

/** Arc length from the start at the curve's samples, as exact as a plot needs: by the trapezium rule. */
export function lengthsOf(curve: Curve): Float64Array {
  const { parameters, speeds } = samplesOf(curve);
  const lengths = new Float64Array(parameters.length);
  for (let k = 1; k < lengths.length; k++) {
    const step = parameters[k]! - parameters[k - 1]!;
    lengths[k] = lengths[k - 1]! + (step * (speeds[k]! + speeds[k - 1]!)) / 2;
  }
  return lengths;
}

/** A value between those of two samples. */
function between(curve: Curve, values: Float64Array, u: number): number {
  const { parameters } = samplesOf(curve);
  let at = 1;
  while (at < parameters.length - 1 && parameters[at]! < u) at++;
  const [from, to] = [parameters[at - 1]!, parameters[at]!];
  const share = to > from ? (u - from) / (to - from) : 0;
  return values[at - 1]! + share * (values[at]! - values[at - 1]!);
}

/** How fast the curve runs over its parameter. */
export const speedTrack = functionTrack('speed', [
  {
    values: ({ curve }) => samplesOf(curve).speeds,
    at: ({ curve }, u) => Math.hypot(...derivativesAt(curve, u, 1)[1]!),
  },
]);

/** Arc length against the parameter: straight where the parameter is even. */
export const lengthTrack = functionTrack('length', [
  { values: ({ curve }) => lengthsOf(curve), at: ({ curve }, u) => between(curve, lengthsOf(curve), u) },
]);

/** One component of the first derivative at the curve's samples. */
function component(curve: Curve, axis: number): Float64Array {
  const { speeds, tangents, dimension } = samplesOf(curve);
  return speeds.map((speed, sample) => speed * tangents[sample * dimension + axis]!);
}

/** The components of the first derivative: x′ as a line, y′ dashed. */
export const derivativesTrack = functionTrack(
  'derivatives',
  (['x′', 'y′'] as const).map((name, axis): Plotted => ({
    name,
    dash: axis === 0 ? [] : [6, 4],
    values: ({ curve }) => component(curve, axis),
    at: ({ curve }, u) => derivativesAt(curve, u, 1)[1]![axis],
  })),
);

/** The distance from the curve that is compared with. */
export const deviationTrack = functionTrack(
  'deviation',
  [
    {
      values: ({ curve, compared }) => compared && distancesOf(curve, compared),
      at: ({ curve, compared }, u) => compared && nearestPoint(compared, pointAt(curve, u)).distance,
    },
  ],
  ({ compared }) => [compared],
);
