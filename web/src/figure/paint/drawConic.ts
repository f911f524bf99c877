import {
  asymptotesOf,
  classifyConic,
  CurveError,
  directricesOf,
  extractPart,
  hasSignedWeights,
  piecesBetweenPoles,
  spansOf,
  type ConicClass,
  type Curve,
  type Point,
  type StraightLine,
} from '@bogen/core/curve';
import type { Palette } from '../../theme/theme.js';
import { tracePoints } from '../geometry/path.js';
import type { Projection } from '../geometry/projection.js';
import { write } from './drawText.js';

type Context = CanvasRenderingContext2D;

const known = new WeakMap<Curve, Map<number, ConicClass | null>>();

/** The conic of the span in which a parameter stands; none where a curve is not of degree 2, or straight there. */
export function conicAt(curve: Curve, u: number): ConicClass | null {
  if (curve.degree !== 2) return null;
  const spans = spansOf(curve.knots, curve.degree);
  const span = spans.find(({ end }) => u < end) ?? spans.at(-1)!;
  const conics = known.get(curve) ?? new Map<number, ConicClass | null>();
  known.set(curve, conics);
  let conic = conics.get(span.start);
  if (conic === undefined) {
    try {
      conic = classifyConic(positivePiece(curve, span.start, span.end));
    } catch (error) {
      if (!(error instanceof CurveError)) throw error;
      conic = null;
    }
    conics.set(span.start, conic);
  }
  return conic?.kind === 'line' ? null : conic;
}

/** The span as a piece with positive weights: of a curve that allows others a part of it, which is the same conic. */
function positivePiece(curve: Curve, start: number, end: number): Curve {
  if (!hasSignedWeights(curve)) return extractPart(curve, start, end);
  const parts = piecesBetweenPoles(curve).filter(({ knots }) => knots[0]! >= start && knots.at(-1)! <= end);
  // The longest, for its numbers are the best.
  return parts.reduce((best, part) =>
    part.knots.at(-1)! - part.knots[0]! > best.knots.at(-1)! - best.knots[0]! ? part : best,
  );
}

const steps = 96;
const from = (place: Point, direction: Point, length: number): [number, number] => [
  place[0]! + length * direction[0]!,
  place[1]! + length * direction[1]!,
];

/**
 * The conic as a whole, as lines through its points: an ellipse once around, of a parabola and a hyperbola what lies
 * within a distance of the vertex or centre.
 */
export function branchesOf(conic: ConicClass, reach: number): Point[][] {
  const [major, minor] = conic.axes ?? [];
  if (!major || !minor) return [];
  const line = (place: (t: number) => Point): Point[] =>
    Array.from({ length: steps + 1 }, (_, k) => place((2 * k) / steps - 1));
  if (conic.kind === 'parabola') {
    const focus = conic.foci[0]!;
    const focal = Math.hypot(focus[0]! - conic.vertex![0]!, focus[1]! - conic.vertex![1]!);
    return [
      line((t) => {
        const across = t * reach;
        return from(from(conic.vertex!, major.direction, across ** 2 / (4 * focal)), minor.direction, across);
      }),
    ];
  }
  const [a, b] = [major.half!, minor.half!];
  const at = (x: number, y: number): Point =>
    from(from(conic.centre!, major.direction, x), minor.direction, y);
  if (conic.kind !== 'hyperbola') {
    return [line((t) => at(a * Math.cos(t * Math.PI), b * Math.sin(t * Math.PI)))];
  }
  const far = Math.asinh(reach / Math.min(a, b));
  return [1, -1].map((side) => line((t) => at(side * a * Math.cosh(t * far), b * Math.sinh(t * far))));
}

/**
 * The conic of the span at the cursor: dotted as a whole, its axes, its centre as a cross, its foci as dots with a
 * ring, asymptotes dashed, and each directrix as a dash and a dot.
 */
export function drawConic(
  context: Context,
  curve: Curve,
  u: number,
  projection: Projection,
  palette: Palette,
): void {
  const conic = conicAt(curve, u);
  if (!conic) return;
  const { width, height, scale } = projection;
  // As far as the pane is wide, from wherever the conic stands.
  const middle = projection.toScreen(conic.centre ?? conic.vertex!);
  const reach = (Math.hypot(middle[0] - width / 2, middle[1] - height / 2) + width + height) / scale;
  const stroke = (dash: readonly number[], lineWidth: number): void => {
    context.setLineDash([...dash]);
    context.lineWidth = lineWidth;
    context.stroke();
    context.setLineDash([]);
  };
  context.strokeStyle = context.fillStyle = palette.ink;
  for (const branch of branchesOf(conic, reach)) {
    tracePoints(context, branch, projection);
    stroke([1.5, 4], 1.25);
  }
  const lines = (all: readonly StraightLine[], dash: readonly number[]): void => {
    for (const { through, direction } of all) {
      tracePoints(context, [from(through, direction, -reach), from(through, direction, reach)], projection);
      stroke(dash, 1);
    }
  };
  context.strokeStyle = palette.soft;
  lines(asymptotesOf(conic), [8, 5]);
  lines(directricesOf(conic), [12, 4, 1.5, 4]);
  const start = conic.centre ?? conic.vertex!;
  for (const { direction, half } of conic.axes ?? []) {
    if (half === undefined && direction !== conic.axes![0]!.direction) continue;
    const ends = half === undefined ? [0, reach] : [-half, half];
    tracePoints(
      context,
      ends.map((length) => from(start, direction, length)),
      projection,
    );
    stroke([], 1);
  }
  context.strokeStyle = palette.ink;
  const [x, y] = middle;
  context.beginPath();
  context.moveTo(x - 5, y);
  context.lineTo(x + 5, y);
  context.moveTo(x, y - 5);
  context.lineTo(x, y + 5);
  stroke([], 1.5);
  const foci = conic.kind === 'circle' ? [] : conic.foci;
  foci.forEach((focus, k) => {
    const place = projection.toScreen(focus);
    context.strokeStyle = context.fillStyle = palette.ink;
    context.beginPath();
    context.arc(place[0], place[1], 2.5, 0, 2 * Math.PI);
    context.fill();
    context.beginPath();
    context.arc(place[0], place[1], 5.5, 0, 2 * Math.PI);
    stroke([], 1);
    const name = foci.length === 1 ? 'F' : `F${k === 0 ? '₁' : '₂'}`;
    write(context, name, place, palette, '13px "Literata Variable", serif');
  });
}
