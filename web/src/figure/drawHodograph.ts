import { curveOf, derivativesAt, isShown, itemOf, type Point } from '@bogen/core';
import type { Palette } from '../theme/theme.js';
import { arrow, type Pixel } from './drawDerivatives.js';
import { write } from './drawText.js';
import { samplesOf, speedsOf } from './geometry.js';
import type { Plane } from './plane.js';
import type { FigureScene } from './scene.js';

/** Pixels of the inset's sides, and from the figure's edges. */
const inset = { width: 168, height: 138, margin: 12, pad: 20 };

/** The corner in which the inset hides least, chosen anew when nothing moves. */
let corner: Pixel = [1, 0];

/** The curve of first derivatives in a corner, with its origin and the derivative at the cursor as an arrow. */
export function drawHodograph(
  context: CanvasRenderingContext2D,
  scene: FigureScene,
  plane: Plane,
  palette: Palette,
): void {
  const { document, evaluation, cursor } = scene;
  const curve = curveOf(evaluation, document.rail.item);
  if (!curve || curve.points[0]!.length !== 2) return;
  if (!isShown(document, 'hodograph', itemOf(document, document.rail.item!))) return;
  if (scene.host.settled()) corner = emptiestCorner(scene, plane);
  const [left, top] = placeOf(corner, plane);
  const { tangents, spanCount, perSpan } = samplesOf(curve);
  const speeds = speedsOf(curve);
  context.fillStyle = palette.sheet;
  context.fillRect(left, top, inset.width, inset.height);
  context.strokeStyle = palette.strong;
  context.lineWidth = 1;
  context.strokeRect(left + 0.5, top + 0.5, inset.width - 1, inset.height - 1);
  write(context, 'C′(u)', [left, top + 2], palette, '13px "Literata Variable", serif');
  // The box of all derivatives and the origin, as large as it fits.
  let [low, right, bottom, high] = [0, 0, 0, 0];
  for (let k = 0; k < speeds.length; k++) {
    const [x, y] = [speeds[k]! * tangents[2 * k]!, speeds[k]! * tangents[2 * k + 1]!];
    [low, right] = [Math.min(low, x), Math.max(right, x)];
    [bottom, high] = [Math.min(bottom, y), Math.max(high, y)];
  }
  const scale = Math.min(
    (inset.width - 2 * inset.pad) / Math.max(right - low, 1e-12),
    (inset.height - 2 * inset.pad) / Math.max(high - bottom, 1e-12),
  );
  if (!(right > low || high > bottom)) return;
  const to = (x: number, y: number): Pixel => [
    left + inset.width / 2 + scale * (x - (low + right) / 2),
    top + inset.height / 2 - scale * (y - (bottom + high) / 2),
  ];
  const origin = to(0, 0);
  context.beginPath();
  context.moveTo(origin[0] - 5, origin[1]);
  context.lineTo(origin[0] + 5, origin[1]);
  context.moveTo(origin[0], origin[1] - 5);
  context.lineTo(origin[0], origin[1] + 5);
  context.strokeStyle = palette.strong;
  context.stroke();
  context.lineWidth = 2;
  for (let span = 0; span < spanCount; span++) {
    context.beginPath();
    for (let k = span * (perSpan + 1); k < (span + 1) * (perSpan + 1); k++) {
      context.lineTo(...to(speeds[k]! * tangents[2 * k]!, speeds[k]! * tangents[2 * k + 1]!));
    }
    context.strokeStyle = palette.spans[span % palette.spans.length]!;
    context.stroke();
  }
  const [, first] = derivativesAt(curve, cursor, 1) as [Point, Point];
  context.beginPath();
  arrow(context, origin, to(first[0]!, first[1]!));
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.5;
  context.stroke();
}

/** The upper left of the inset in a corner: 0 or 1 across, 0 or 1 down. */
function placeOf([across, down]: Pixel, { width, height }: Plane): Pixel {
  return [
    across === 0 ? inset.margin : width - inset.width - inset.margin,
    // Below stand the facts and the zoom.
    down === 0 ? inset.margin : height - inset.height - 44,
  ];
}

function emptiestCorner({ document, evaluation }: FigureScene, plane: Plane): Pixel {
  const places = document.items.flatMap((item) => {
    if (item.hidden) return [];
    const curve = curveOf(evaluation, item.id);
    if (!curve) return item.kind === 'point' ? [item.at] : [];
    const { coordinates, dimension } = samplesOf(curve);
    const samples = Array.from({ length: 40 }, (_, k) => {
      const at = Math.floor((k / 40) * (coordinates.length / dimension)) * dimension;
      return [coordinates[at]!, coordinates[at + 1]!];
    });
    return [...curve.points, ...samples];
  });
  const hidden = (candidate: Pixel): number => {
    const [left, top] = placeOf(candidate, plane);
    return places.filter((place) => {
      const [x, y] = plane.toScreen(place);
      return x > left - 12 && x < left + inset.width + 12 && y > top - 12 && y < top + inset.height + 12;
    }).length;
  };
  const corners: Pixel[] = [
    [1, 0],
    [0, 0],
    [1, 1],
    [0, 1],
  ];
  return corners.reduce((best, next) => (hidden(next) < hidden(best) ? next : best));
}
