import type { Curve, Point } from '../../curve/curve.js';
import { sampleCurve } from '../../curve/sample.js';

/** The teeth of a curvature comb, from the curve to their tips, and the lines along the tips. */
export interface Comb {
  readonly teeth: readonly (readonly [Point, Point])[];
  readonly lines: readonly (readonly Point[])[];
}

/** Steps of each span, and about how many teeth a comb has at most. */
const steps = 32;
const mostTeeth = 130;

/**
 * The combs of curves, all at one scale so that they can be compared: a tooth stands across the curve on the side away from
 * its centre of curvature and is as long as the curvature there.
 * @param longest the length of the longest tooth of all, in the drawing's unit
 */
export function combsOf(curves: readonly Curve[], longest: number): Comb[] {
  const sampled = curves.map((curve) => sampleCurve(curve, steps));
  const largest = sampled.reduce(
    (most, { curvature }) => curvature.reduce((now, value) => Math.max(now, Math.abs(value)), most),
    0,
  );
  const scale = largest > 0 ? longest / largest : 0;
  return sampled.map(({ coordinates, tangents, curvature, joined, perSpan, spanCount, dimension }) => {
    if (dimension !== 2) return { teeth: [], lines: [] };
    const at = (sample: number): Point => [coordinates[2 * sample]!, coordinates[2 * sample + 1]!];
    const tip = (sample: number): Point => {
      const [x, y] = at(sample);
      const length = curvature[sample]! * scale;
      return [x! + tangents[2 * sample + 1]! * length, y! - tangents[2 * sample]! * length];
    };
    const every = Math.max(1, Math.ceil((spanCount * steps) / mostTeeth));
    const teeth: [Point, Point][] = [];
    const lines: Point[][] = [];
    for (let span = 0; span < spanCount; span++) {
      const first = span * (perSpan + 1);
      const tips: Point[] = [];
      for (let step = 0; step <= perSpan; step++) {
        if (step % every === 0 || step === perSpan) teeth.push([at(first + step), tip(first + step)]);
        tips.push(tip(first + step));
      }
      // Where the curvature jumps at a knot the line does too.
      if (span > 0 && joined[span]) lines.at(-1)!.push(...tips);
      else lines.push(tips);
    }
    return { teeth, lines };
  });
}
