import {
  deBoorConstruction,
  deCasteljauConstruction,
  type Construction,
  type Curve,
  unlessPole,
} from '@bogen/core/curve';
import { looksOf, type FigureDocument } from '@bogen/core/figure';
import { notation } from '../../text/notation.js';
import { shownShort } from '../../text/number.js';
import type { Palette } from '../../theme/theme.js';
import { write } from './drawText.js';
import type { Projection } from '../geometry/projection.js';
import { tracePoints } from '../geometry/path.js';
import type { FigureScene } from '../scene/scene.js';

type Context = CanvasRenderingContext2D;

/** The construction at a parameter as the document wants it: de Boor's or de Casteljau's. */
export function constructionAt(document: FigureDocument, curve: Curve, u: number): Construction | undefined {
  return unlessPole(() =>
    looksOf(document).construction === 'deBoor'
      ? deBoorConstruction(curve, u)
      : deCasteljauConstruction(curve, u),
  );
}

/** The levels of the construction as polygons, each stronger than the one before, down to the point itself. */
export function drawConstruction(
  context: Context,
  { document, cursor }: FigureScene,
  curve: Curve,
  projection: Projection,
  palette: Palette,
): void {
  const { constructionLevels, construction, blossoms } = looksOf(document);
  const levels = constructionAt(document, curve, cursor)?.levels ?? [];
  levels.forEach((level, r) => {
    if (r > constructionLevels) return;
    const points = level.map(({ point }) => point);
    // The polygon of control points is drawn already; that of a Bézier piece is not.
    if (r > 0 || construction === 'deCasteljau') {
      tracePoints(context, points, projection);
      context.strokeStyle = palette.accent;
      context.globalAlpha = 0.35 + (0.65 * r) / (levels.length - 1);
      context.lineWidth = 1.25;
      context.stroke();
      for (const point of points) {
        const [x, y] = projection.toScreen(point);
        context.beginPath();
        context.arc(x, y, r === levels.length - 1 ? 4 : 2.75, 0, 2 * Math.PI);
        context.fillStyle = palette.accent;
        context.fill();
      }
      context.globalAlpha = 1;
    }
    if (!blossoms) return;
    level.forEach(({ point, label }) => {
      write(context, blossomText(label, cursor), projection.toScreen(point), palette);
    });
  });
}

/** A blossom's arguments, with u for the parameter. */
export function blossomText(blossom: readonly number[], u: number): string {
  return blossom
    .map((value) => (value === u ? notation().parameter : shownShort(value, notation().decimals)))
    .join(' ');
}
