import { handlesOfItem, isMarked } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { tracePoints } from '../geometry/path.js';
import type { Projection } from '../geometry/projection.js';
import { mayMove } from '../scene/may.js';
import type { Pane } from '../scene/pane.js';
import type { FigureScene } from '../scene/scene.js';
import { dot } from './dot.js';

type Context = CanvasRenderingContext2D;

/** The handles of shapes, pictures and linked curves: what they pass through as open lozenges, what pulls as dots on a line. */
export function drawItemHandles(
  context: Context,
  { document, evaluation, host }: FigureScene,
  projection: Projection,
  palette: Palette,
  pane: Pane,
): void {
  for (const item of document.items) {
    if (item.hidden || item.locked || !pane.shows(item.id) || !isMarked(document, item)) continue;
    const handles = handlesOfItem(item, evaluation);
    const [first] = handles;
    if (!first || !mayMove(host, { item: item.id, of: 'handle', key: first.key })) continue;
    context.strokeStyle = palette.strong;
    context.lineWidth = 1;
    for (const { at, from } of handles) {
      if (!from) continue;
      tracePoints(context, [from, at], projection);
      context.stroke();
    }
    for (const { at, role } of handles) {
      const [x, y] = projection.toScreen(at);
      if (role === 'pulls') {
        dot(context, [x, y], 3.5, palette.accent);
        continue;
      }
      context.beginPath();
      context.moveTo(x, y - 6.5);
      context.lineTo(x + 4.5, y);
      context.lineTo(x, y + 6.5);
      context.lineTo(x - 4.5, y);
      context.closePath();
      context.fillStyle = palette.sheet;
      context.fill();
      context.strokeStyle = palette.accent;
      context.lineWidth = 1.75;
      context.stroke();
    }
  }
}
