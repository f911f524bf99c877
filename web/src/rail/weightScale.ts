import type { Curve } from '@bogen/core/curve';
import { linearScale, type LinearScale } from '../figure/geometry/linearScale.js';

/** The weights of a curve, one for each control point; all one where it has none. */
export const weightsOf = ({ weights, points }: Curve): readonly number[] => weights ?? points.map(() => 1);

/** Pixels from the track's edges to the ends of its scale. */
const margin = { top: 12, bottom: 9 };

/** The scale of weights, in whole powers of ten: from a tenth to ten, and as far beyond as the weights go. */
export function weightScale(curve: Curve, height: number): LinearScale {
  const powers = weightsOf(curve).map((weight) => Math.log10(Math.max(weight, 1e-9)));
  const least = Math.min(-1, Math.floor(Math.min(...powers) + 1e-9));
  const most = Math.max(1, Math.ceil(Math.max(...powers) - 1e-9));
  return linearScale([least, most], [height - margin.bottom, margin.top]);
}
