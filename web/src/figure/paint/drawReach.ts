import { distinctPointCount, hasSignedWeights, type Curve, type Point } from '@bogen/core/curve';
import { curveOf, itemOf, samplesOf } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { editPointsOf } from '../geometry/geometry.js';
import { tracePoints } from '../geometry/path.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import { handlePlace } from '../scene/handles.js';
import type { Pane } from '../scene/pane.js';

type Context = CanvasRenderingContext2D;

/** Half the breadth of the band where the curve moved most, in dots. */
const broadest = 11;

/** Every which sample the band takes: it is broad and pale, and needs no more. */
const stride = 4;

/** What moved less than this share of the largest pull is left out: the band would be thinner than half a dot. */
const least = 0.02;

/** How far the curve went at each of its samples, where both have the same parameters. */
export function reachOf(before: Curve, now: Curve): Float64Array | undefined {
  const [a, b] = [samplesOf(before), samplesOf(now)];
  if (a.coordinates.length !== b.coordinates.length || a.dimension !== 2) return undefined;
  // Between poles that move with a point the samples are others.
  if (hasSignedWeights(before) || hasSignedWeights(now)) return undefined;
  if (before.knots !== now.knots && before.knots.some((knot, k) => knot !== now.knots[k])) return undefined;
  return Float64Array.from({ length: a.coordinates.length / 2 }, (_, k) =>
    Math.hypot(
      a.coordinates[2 * k]! - b.coordinates[2 * k]!,
      a.coordinates[2 * k + 1]! - b.coordinates[2 * k + 1]!,
    ),
  );
}

const shares = new WeakMap<Curve, { index: number; values: Float64Array }>();

/**
 * How far each sample of a curve goes when one control point goes by one: its share stays the same while it is
 * pulled, and is computed once. A control point that repeats an earlier one, as those of a closed curve do, goes with
 * it.
 */
function sharesOf(curve: Curve, index: number): Float64Array {
  const known = shares.get(curve);
  if (known?.index === index) return known.values;
  const count = distinctPointCount(curve);
  const points = curve.points.map((point, k) =>
    k % count === index ? [point[0]! + 1, ...point.slice(1)] : point,
  );
  const [moved, resting] = [samplesOf({ ...curve, points }).coordinates, samplesOf(curve).coordinates];
  const values = Float64Array.from({ length: resting.length / 2 }, (_, k) => moved[2 * k]! - resting[2 * k]!);
  shares.set(curve, { index, values });
  return values;
}

/**
 * What the pull of the control point with the same number by the same vector would do, where an edit point is in the
 * hand: the places of the curve's samples, in pieces that leave out what stays where it is.
 */
export function samePullOfControlPoint(before: Curve, index: number, by: Point): Point[][] {
  const { coordinates } = samplesOf(before);
  const values = sharesOf(before, index);
  return runsAbove(values, least).map(([from, to]) =>
    Array.from({ length: to - from + 1 }, (_, offset) => {
      const k = from + offset;
      return [0, 1].map((axis) => coordinates[2 * k + axis]! + values[k]! * by[axis]!);
    }),
  );
}

/** The runs of indices whose values are at least so large, each by its first and last index. */
function runsAbove(values: Float64Array, limit: number): [number, number][] {
  const runs: [number, number][] = [];
  for (let from = 0; from < values.length; from++) {
    if (!(values[from]! >= limit)) continue;
    let to = from;
    while (to + 1 < values.length && values[to + 1]! >= limit) to++;
    runs.push([from, to]);
    from = to;
  }
  return runs;
}

/**
 * How far a pull reaches: a band along the curve as it was, broad where it moved much and gone where it stayed, for
 * control points and edit points alike. Where an edit point is in the hand, what the control point beside it would have
 * done stands faint beside the curve.
 */
export function drawReach(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
  pane: Pane,
): void {
  const { picked } = scene.pointed;
  if (!picked || scene.host.motion() !== 'hand' || !pane.shows(picked.item)) return;
  const item = itemOf(scene.restingDocument(), picked.item);
  const now = curveOf(scene.evaluation, picked.item);
  if (item?.kind !== 'curve' || !now || now === item.curve) return;
  const before = item.curve;
  const reach = reachOf(before, now);
  if (!reach) return;
  const largest = reach.reduce((most, value) => Math.max(most, value), 0);
  if (!(largest > 0)) return;
  const { coordinates, tangents } = samplesOf(before);
  const side = (k: number, sign: number): [number, number] => {
    const [x, y] = projection.toScreen([coordinates[2 * k]!, coordinates[2 * k + 1]!]);
    const half = (sign * broadest * reach[k]!) / largest;
    return [x + half * tangents[2 * k + 1]!, y + half * tangents[2 * k]!];
  };
  context.beginPath();
  for (const [from, to] of runsAbove(reach, least * largest)) {
    context.moveTo(...side(from, 1));
    for (let k = from + stride; k < to; k += stride) context.lineTo(...side(k, 1));
    for (let k = to; k > from; k -= stride) context.lineTo(...side(k, -1));
    context.closePath();
  }
  context.globalAlpha = 0.24;
  context.fillStyle = palette.accent;
  context.fill();
  context.globalAlpha = 1;
  if (picked.of !== 'editPoints') return;
  const from = editPointsOf(before)[picked.index]?.point;
  const to = handlePlace(scene, picked);
  if (!from || !to) return;
  const by = to.map((value, axis) => value - from[axis]!);
  context.setLineDash([2, 4]);
  context.lineWidth = 1.25;
  context.strokeStyle = palette.soft;
  for (const places of samePullOfControlPoint(before, picked.index, by)) {
    tracePoints(context, places, projection);
    context.stroke();
  }
  context.setLineDash([]);
}
