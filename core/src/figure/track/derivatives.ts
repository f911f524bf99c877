import { derivativesAt } from '../../curve/evaluate.js';
import type { CurveSamples } from '../../curve/sample.js';
import type { Plot, TrackMember } from './define.js';

function component({ speeds, tangents, dimension }: CurveSamples, axis: number): Float64Array {
  return speeds.map((speed, sample) => speed * tangents[sample * dimension + axis]!);
}

const plotOf = (sign: string, axis: number): Plot => ({
  sign,
  ...(axis === 0 ? {} : { dashed: true }),
  values: ({ samples }) => component(samples, axis),
  at: ({ curve }, u) => derivativesAt(curve, u, 1)[1]![axis],
});

/** The components of the first derivative: x′ as a line, y′ dashed. */
export const derivatives: TrackMember = { plots: [plotOf('x′', 0), plotOf('y′', 1)] };
