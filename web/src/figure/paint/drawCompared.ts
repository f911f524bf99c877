import { domainOf, nearestFinder, pointAt, type Curve, type Point } from '@bogen/core/curve';
import { looksOf } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { tracePoints } from '../geometry/path.js';
import type { Projection } from '../geometry/projection.js';
import { comparedCurve } from '../scene/compared.js';
import type { FigureScene } from '../scene/scene.js';

/** How many places of the curve are moved away by their enlarged difference. */
const places = 240;
/** Into how many equal steps of the parameter the lines of correspondence divide both curves. */
const steps = 20;

/**
 * What is seen between the rail's curve and the one that it is compared with: lines between equal shares of both
 * parameters, and the other curve with its difference enlarged.
 */
export function drawCompared(
  context: CanvasRenderingContext2D,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
): void {
  const curve = scene.railCurve;
  const other = comparedCurve(scene);
  if (curve?.points[0]!.length !== 2 || other?.points[0]!.length !== 2) return;
  const { enlarged, correspondence } = looksOf(scene.document);
  if (correspondence) drawCorrespondence(context, curve, other, projection, palette);
  if (enlarged > 1) {
    const line = enlargedDifference(curve, other, enlarged, scene.host.motion() === 'rest');
    if (!line) return;
    tracePoints(context, line, projection);
    context.strokeStyle = palette.accent;
    context.lineWidth = 1.5;
    context.setLineDash([2, 3]);
    context.stroke();
    context.setLineDash([]);
  }
}

function drawCorrespondence(
  context: CanvasRenderingContext2D,
  curve: Curve,
  other: Curve,
  projection: Projection,
  palette: Palette,
): void {
  const at = (of: Curve, share: number): Point => {
    const [start, end] = domainOf(of.knots, of.degree);
    return pointAt(of, share === 1 ? end : start + share * (end - start), share === 1 ? 'left' : 'right');
  };
  context.strokeStyle = palette.strong;
  for (let k = 0; k <= steps; k++) {
    tracePoints(context, [at(curve, k / steps), at(other, k / steps)], projection);
    // The first leads from start to start.
    context.lineWidth = k === 0 ? 2.5 : k % 5 === 0 ? 1.5 : 0.75;
    context.stroke();
  }
}

let known: { curve: Curve; other: Curve; offsets: readonly (readonly [Point, Point])[] } | undefined;

/**
 * The rail's curve moved by a multiple of the way from each of its places to the nearest one of the other curve. Finding
 * these takes longer than a frame; while something moves they are not shown.
 */
function enlargedDifference(
  curve: Curve,
  other: Curve,
  times: number,
  mayFind: boolean,
): Point[] | undefined {
  if (known?.curve !== curve || known.other !== other) {
    if (!mayFind) return undefined;
    const nearest = nearestFinder(other);
    const [start, end] = domainOf(curve.knots, curve.degree);
    const offsets = Array.from({ length: places + 1 }, (_, k) => {
      const place = pointAt(curve, k === places ? end : start + ((end - start) * k) / places);
      const { point } = nearest(place);
      return [place, point.map((value, axis) => value - place[axis]!)] as const;
    });
    known = { curve, other, offsets };
  }
  return known.offsets.map(([place, offset]) => place.map((value, axis) => value + times * offset[axis]!));
}
