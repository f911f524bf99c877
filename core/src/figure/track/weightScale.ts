import type { Curve } from '../../curve/curve.js';
import { linearScale } from '../drawn/linearScale.js';

/** The weights of a curve, one for each control point; all one where it has none. */
export const weightsOf = ({ weights, points }: Curve): readonly number[] => weights ?? points.map(() => 1);

/** Pixels from the track's edges to the ends of its scale. */
const margin = { top: 12, bottom: 9 };

/** The scale of weights on their track. */
export interface WeightScale {
  /** The least and the largest weight that it shows. */
  readonly range: readonly [number, number];
  /** Where a weight stands, in pixels from above. */
  readonly y: (weight: number) => number;
  /** The weights that are written beside it. */
  readonly marked: readonly number[];
  /** The weight from which the bars start. */
  readonly foot: number;
}

/**
 * The scale of weights. Of positive ones it goes by ratios, in whole powers of ten: from a tenth to ten, and as far
 * beyond as the weights go. Where any sign is allowed it is even, from minus one to one and as far beyond.
 */
export function weightScale(curve: Curve, height: number): WeightScale {
  const weights = weightsOf(curve);
  const pixels = [height - margin.bottom, margin.top] as const;
  if (curve.signedWeights) {
    const least = Math.min(-1, Math.floor(Math.min(...weights) + 1e-9));
    const most = Math.max(1, Math.ceil(Math.max(...weights) - 1e-9));
    const scale = linearScale([least, most], pixels);
    return { range: [least, most], y: scale, marked: [least, 0, most], foot: 0 };
  }
  const powers = weights.map((weight) => Math.log10(Math.max(weight, 1e-9)));
  const least = Math.min(-1, Math.floor(Math.min(...powers) + 1e-9));
  const most = Math.max(1, Math.ceil(Math.max(...powers) - 1e-9));
  const scale = linearScale([least, most], pixels);
  return {
    range: [10 ** least, 10 ** most],
    y: (weight) => scale(Math.log10(Math.max(weight, 1e-9))),
    marked: Array.from({ length: most - least + 1 }, (_, k) => Number((10 ** (least + k)).toPrecision(3))),
    foot: 1,
  };
}
