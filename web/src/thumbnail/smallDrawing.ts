import { sampleCurve, spansOf, type Curve } from '@bogen/core/curve';
import { curveOf, evaluateFigure, type FigureDocument, type View } from '@bogen/core/figure';

/** A small true drawing of a figure as numbers: what a thumbnail draws, in the drawing's own plane. */
export interface SmallDrawing {
  readonly view: View;
  readonly curves: readonly SmallCurve[];
}

interface SmallCurve {
  /** Coordinates of each span's samples, x and y by turns. */
  readonly spans: readonly Float32Array[];
  /** Coordinates of the control points of a given curve; empty for others, which have none of their own. */
  readonly points: Float32Array;
  /** Whether its spans are drawn in their colours. */
  readonly isOnRail: boolean;
}

/** Samples a span of a small drawing needs, by how many spans there are. */
const stepsOf = ({ knots, degree }: Curve): number =>
  Math.max(2, Math.min(16, Math.round(120 / spansOf(knots, degree).length)));

/** The small drawing of a figure: its curves from their own numbers. */
export function smallDrawingOf(figure: FigureDocument): SmallDrawing {
  const evaluation = evaluateFigure(figure);
  const shown = figure.items.flatMap((item) => {
    const curve = curveOf(evaluation, item.id);
    return curve && !(item.kind === 'curve' && item.faint) && !item.hidden ? [{ item, curve }] : [];
  });
  return {
    view: contentsOf(
      figure.view,
      shown.flatMap(({ curve }) => curve.points),
    ),
    curves: shown.map(({ item, curve }) => {
      const { coordinates, spanCount, perSpan, dimension } = sampleCurve(curve, stepsOf(curve));
      return {
        spans: Array.from({ length: spanCount }, (_, span) => {
          const flat = new Float32Array(2 * (perSpan + 1));
          for (let k = 0; k <= perSpan; k++) {
            const at = (span * (perSpan + 1) + k) * dimension;
            flat[2 * k] = coordinates[at]!;
            flat[2 * k + 1] = coordinates[at + 1]!;
          }
          return flat;
        }),
        points:
          item.kind === 'curve'
            ? Float32Array.from(curve.points.flatMap(([x, y]) => [x!, y!]))
            : new Float32Array(0),
        isOnRail: item.id === figure.rail.item,
      };
    }),
  };
}

/** The part of the plane that points take up, with a margin; the whole view where there are none. */
function contentsOf(view: View, points: readonly (readonly number[])[]): View {
  if (points.length === 0) return view;
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [x, y] of points) {
    [left, right] = [Math.min(left, x!), Math.max(right, x!)];
    [bottom, top] = [Math.min(bottom, y!), Math.max(top, y!)];
  }
  const margin = 0.06 * Math.max(right - left, top - bottom, 1e-6);
  return { ...view, left: left - margin, right: right + margin, bottom: bottom - margin, top: top + margin };
}
