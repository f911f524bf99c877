import { derivativesAt, polesOf, type Point } from '@bogen/core/curve';
import { curveOf, isShown, itemOf, samplesOf } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { arrow, type Pixel } from './arrow.js';
import { write } from './drawText.js';
import type { Pane } from '../scene/pane.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import { notation } from '../../text/notation.js';

/** Pixels of the inset's sides, of its inner margin, and from the pane's edges. */
interface Inset {
  readonly width: number;
  readonly height: number;
  readonly pad: number;
  readonly side: number;
  readonly top: number;
}

/** In one of two panes it is smaller, and below the name of the curve. */
function insetOf(projection: Projection, pane: Pane): Inset {
  const size =
    projection.width < 560 ? { width: 118, height: 98, pad: 14 } : { width: 168, height: 138, pad: 20 };
  return { ...size, side: 12, top: pane.item === null ? 12 : 34 };
}

/** The corner in which the inset hides least, chosen anew when nothing moves. */
let corner: Pixel = [1, 0];

/** The curve of first derivatives in a corner, with its origin and the derivative at the cursor as an arrow. */
export function drawHodograph(
  context: CanvasRenderingContext2D,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
  pane: Pane,
): void {
  const { document, evaluation, cursor } = scene;
  const inset = insetOf(projection, pane);
  const curve = curveOf(evaluation, document.rail.item);
  // Towards a pole the derivative grows without bound; an inset that held it would show nothing else.
  if (!curve || curve.points[0]!.length !== 2 || polesOf(curve).length > 0) return;
  if (!isShown(document, 'hodograph', itemOf(document, document.rail.item!))) return;
  if (scene.host.motion() === 'rest') corner = emptiestCorner(scene, projection, inset);
  const [left, top] = placeOf(corner, projection, inset);
  const { speeds, tangents, spanCount, perSpan } = samplesOf(curve);
  context.fillStyle = palette.sheet;
  context.fillRect(left, top, inset.width, inset.height);
  context.strokeStyle = palette.strong;
  context.lineWidth = 1;
  context.strokeRect(left + 0.5, top + 0.5, inset.width - 1, inset.height - 1);
  write(context, `C′(${notation().parameter})`, [left, top + 2], palette, '13px "Literata Variable", serif');
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
function placeOf([across, down]: Pixel, { width, height }: Projection, inset: Inset): Pixel {
  return [
    across === 0 ? inset.side : width - inset.width - inset.side,
    // Below stand the facts and the zoom.
    down === 0 ? inset.top : height - inset.height - 44,
  ];
}

function emptiestCorner({ document, evaluation }: FigureScene, projection: Projection, inset: Inset): Pixel {
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
    const [left, top] = placeOf(candidate, projection, inset);
    return places.filter((place) => {
      const [x, y] = projection.toScreen(place);
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
