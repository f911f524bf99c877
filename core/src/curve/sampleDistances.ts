import type { CurveSamples } from './sample.js';

/**
 * How far each sample of one curve lies from the polyline of another's samples: the picture of a
 * deviation, as exact as the samples are close. `largestDistance` gives the number itself.
 * @returns one distance a sample
 */
export function sampleDistances(samples: CurveSamples, other: CurveSamples): Float64Array {
  const { dimension, coordinates } = samples;
  const corners = other.coordinates;
  const count = coordinates.length / dimension;
  const last = corners.length / dimension - 1;
  const distances = new Float64Array(count);
  for (let sample = 0; sample < count; sample++) {
    let least = Infinity;
    for (let corner = 0; corner < last; corner++) {
      let [along, length, square] = [0, 0, 0];
      for (let axis = 0; axis < dimension; axis++) {
        const from = corners[corner * dimension + axis]!;
        const step = corners[(corner + 1) * dimension + axis]! - from;
        along += (coordinates[sample * dimension + axis]! - from) * step;
        length += step * step;
      }
      const share = length > 0 ? Math.min(1, Math.max(0, along / length)) : 0;
      for (let axis = 0; axis < dimension; axis++) {
        const from = corners[corner * dimension + axis]!;
        const step = corners[(corner + 1) * dimension + axis]! - from;
        const gap = coordinates[sample * dimension + axis]! - from - share * step;
        square += gap * gap;
      }
      if (square < least) least = square;
    }
    distances[sample] = Math.sqrt(least);
  }
  return distances;
}
