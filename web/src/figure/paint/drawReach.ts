import { distinctPointCount, type Curve, type Point } from '@bogen/core/curve';
import { curveOf, itemOf } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { editPointsOf, samplesOf } from '../geometry/geometry.js';
import { tracePoints } from '../geometry/path.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import { handlePlace } from '../scene/handles.js';
import type { Pane } from '../scene/pane.js';

type Context = CanvasRenderingContext2D;

/** Half the breadth of the band where the curve moved most, in dots. */
const broadest = 11;

/** Every which sample the band takes: it is broad and pale, and needs no more. */
const stride = 3;

/** How far the curve went at each of its samples, where both have the same parameters. */
export function reachOf(before: Curve, now: Curve): Float64Array | undefined {
  const [a, b] = [samplesOf(before), samplesOf(now)];
  if (a.coordinates.length !== b.coordinates.length || a.dimension !== 2) return undefined;
  if (before.knots !== now.knots && before.knots.some((knot, k) => knot !== now.knots[k])) return undefined;
  return Float64Array.from({ length: a.coordinates.length / 2 }, (_, k) =>
    Math.hypot(
      a.coordinates[2 * k]! - b.coordinates[2 * k]!,
      a.coordinates[2 * k + 1]! - b.coordinates[2 * k + 1]!,
    ),
  );
}

/**
 * What the pull of the nearest control point by the same vector would do, where an edit point is in the hand: the
 * control point with its number moves instead of it.
 */
export function samePullOfControlPoint(before: Curve, index: number, by: Point): Curve {
  const count = distinctPointCount(before);
  const points = before.points.map((point, k) =>
    k % count === index ? point.map((value, axis) => value + by[axis]!) : point,
  );
  return { ...before, points };
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
  // Only where it moved: a control point moves few of many spans.
  const least = 0.004 * largest;
  context.beginPath();
  for (let from = 0; from < reach.length; from++) {
    if (reach[from]! < least) continue;
    let to = from;
    while (to + 1 < reach.length && reach[to + 1]! >= least) to++;
    context.moveTo(...side(from, 1));
    for (let k = from + stride; k < to; k += stride) context.lineTo(...side(k, 1));
    for (let k = to; k > from; k -= stride) context.lineTo(...side(k, -1));
    context.closePath();
    from = to;
  }
  context.globalAlpha = 0.24;
  context.fillStyle = palette.accent;
  context.fill();
  context.globalAlpha = 1;
  if (picked.of !== 'editPoints') return;
  const from = editPointsOf(before)[picked.index]?.point;
  const to = handlePlace(scene, picked);
  if (!from || !to) return;
  const other = samePullOfControlPoint(
    before,
    picked.index,
    to.map((value, axis) => value - from[axis]!),
  );
  const places: Point[] = [];
  const drawn = samplesOf(other).coordinates;
  for (let at = 0; at < drawn.length; at += 2) places.push([drawn[at]!, drawn[at + 1]!]);
  tracePoints(context, places, projection);
  context.setLineDash([2, 4]);
  context.lineWidth = 1.25;
  context.strokeStyle = palette.soft;
  context.stroke();
  context.setLineDash([]);
}
