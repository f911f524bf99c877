import type { CurveSamples } from '../../curve/sample.js';
import type { TrackMember } from './define.js';

/** Arc length from the start at a curve's samples, as exact as a plot needs: by the trapezium rule. */
function lengthsAtSamples({ parameters, speeds }: CurveSamples): Float64Array {
  const lengths = new Float64Array(parameters.length);
  for (let k = 1; k < lengths.length; k++) {
    const step = parameters[k]! - parameters[k - 1]!;
    lengths[k] = lengths[k - 1]! + (step * (speeds[k]! + speeds[k - 1]!)) / 2;
  }
  return lengths;
}

/** A value between those of two samples. */
function between({ parameters }: CurveSamples, values: Float64Array, u: number): number {
  let at = 1;
  while (at < parameters.length - 1 && parameters[at]! < u) at++;
  const [from, to] = [parameters[at - 1]!, parameters[at]!];
  const share = to > from ? (u - from) / (to - from) : 0;
  return values[at - 1]! + share * (values[at]! - values[at - 1]!);
}

/** Arc length against the parameter: straight where the parameter runs evenly. */
export const length: TrackMember = {
  letter: 's',
  whole: true,
  plots: [
    {
      values: ({ samples }) => lengthsAtSamples(samples),
      at: ({ samples }, u) => between(samples, lengthsAtSamples(samples), u),
    },
  ],
};
