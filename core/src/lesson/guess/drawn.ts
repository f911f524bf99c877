import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { largestDistance } from '../../curve/hausdorff.js';
import { clampedUniformKnots, spansOf } from '../../curve/knotVector.js';
import { pointAt } from '../../curve/evaluate.js';
import { sampleCurve } from '../../curve/sample.js';
import { distance } from '../../curve/vector.js';
import { choice, itemId, list, number, place, tagged, type ValueOf } from '../../describe/describe.js';
import { withinDistance, largestCurvature, notThere } from '../condition/define.js';
import { onBoth, type GuessMember } from './define.js';

/** The most places of a drawing. */
export const mostDrawn = 120;
/** The most places of what comes true; between them it is straight. */
const mostTrue = 240;

export const drawnLines = ['curve', 'polygon', 'comb'] as const;
export type DrawnLine = (typeof drawnLines)[number];

const description = tagged('of', 'drawn', {
  item: itemId,
  line: choice(...drawnLines),
  /** How far from it a drawing may be. */
  within: number({ unit: 'length', least: 0 }),
  /** Length of a tooth of the comb for a curvature of one, in the square of the unit of length. */
  scale: number({ above: 0 }),
});
const guess = tagged('of', 'drawn', { places: list(place, mostTrue) });

/** Where the curve, its control polygon or the outline of its comb will go, drawn by hand. */
export const drawn: GuessMember<ValueOf<typeof description>, ValueOf<typeof guess>> = {
  description,
  guess,
  truth: ({ item, line, scale }, step) =>
    onBoth(item, step, (_, after) => {
      const places = lineOf(after, line, scale);
      return places && { of: 'drawn', places };
    }),
  compare: ({ within }, guessed, { places }) => {
    const [mine, real] = [straightThrough(guessed.places), straightThrough(places)];
    if (!mine || !real || mine.points[0]!.length !== real.points[0]!.length) return notThere;
    try {
      return withinDistance(largestDistance(mine, real, within), within);
    } catch (error) {
      if (error instanceof CurveError) return notThere;
      throw error;
    }
  },
  offers: (item, step) =>
    onBoth(item, step, (before, after) => {
      const scale = combScale(before);
      return drawnLines.flatMap((line) => {
        const [was, is] = [lineOf(before, line, scale), lineOf(after, line, scale)];
        return was && is && JSON.stringify(was) !== JSON.stringify(is)
          ? [{ of: 'drawn', item, line, within: 5, scale } as const]
          : [];
      });
    }) ?? [],
};

/** A tooth length at which the longest tooth of a curve is a sixth of the extent of its control points. */
function combScale(curve: Curve): number {
  const reach = Math.max(...curve.points.map((point) => distance(point, curve.points[0]!)));
  const largest = largestCurvature(curve);
  return largest > 0 && reach > 0 ? Number((reach / 6 / largest).toPrecision(2)) : 1;
}

/**
 * A line of a curve by the places between which it is straight: the curve itself and the comb's outline as they are sampled
 * to be drawn, and the control polygon as it is. Nothing where the curve has none in the plane.
 * @param scale length of a tooth for a curvature of one
 */
export function lineOf(curve: Curve, line: DrawnLine, scale: number): readonly Point[] | undefined {
  if (line === 'polygon') return curve.points.length <= mostTrue ? curve.points : undefined;
  const spans = spansOf(curve.knots, curve.degree);
  const perSpan = Math.max(1, Math.min(24, Math.floor((mostTrue - 1) / spans.length)));
  if (line === 'curve') {
    const places = spans.flatMap(({ start, end }) =>
      Array.from({ length: perSpan }, (_, k) => pointAt(curve, start + ((end - start) * k) / perSpan)),
    );
    return [...places, pointAt(curve, spans.at(-1)!.end, 'left')].slice(0, mostTrue);
  }
  const { dimension, coordinates, tangents, curvature } = sampleCurve(curve, Math.max(1, perSpan - 1));
  if (dimension !== 2) return undefined;
  // A tooth points away from the centre of curvature.
  return Array.from(curvature, (bend, at) => [
    coordinates[2 * at]! + tangents[2 * at + 1]! * bend * scale,
    coordinates[2 * at + 1]! - tangents[2 * at]! * bend * scale,
  ]).slice(0, mostTrue);
}

/** The line that is straight between places, as a curve of degree 1; nothing where there is no line. */
function straightThrough(places: readonly Point[]): Curve | undefined {
  const distinct = places.filter((at, index) => index === 0 || distance(at, places[index - 1]!) > 0);
  return distinct.length < 2
    ? undefined
    : { degree: 1, knots: clampedUniformKnots(distinct.length, 1), points: distinct };
}
