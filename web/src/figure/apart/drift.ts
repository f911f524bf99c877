import { insertKnot, interiorKnots, type Curve, type Point } from '@bogen/core/curve';
import { colorOfPiece, driftOf, piecesOf, type FigureDocument } from '@bogen/core/figure';
import type { FigurePreview } from '../scene/sceneParts.js';

/** The share of the slider on which knots rise; on the rest the pieces drift. */
const rising = 0.45;

/** How far the slider has come: how many of the missing knots are inserted, and how far the pieces are apart, 0 to 1. */
export interface Progress {
  readonly inserted: number;
  readonly apart: number;
}

/** The knots that have to be inserted to bring each of some interior knots to full multiplicity, one after the other. */
export function risingKnots(curve: Curve, cuts: readonly number[]): readonly number[] {
  const present = interiorKnots(curve.knots, curve.degree);
  return cuts.flatMap((u) => {
    const known = present.find(({ value }) => Math.abs(value - u) < 1e-9)?.multiplicity ?? 0;
    return Array.from({ length: Math.max(0, curve.degree - known) }, () => u);
  });
}

/** @param share of the slider, 0 to 1 */
export function progressAt(share: number, missing: number): Progress {
  if (missing === 0) return { inserted: 0, apart: share };
  return {
    inserted: Math.min(missing, Math.floor((share / rising) * (missing + 0.999))),
    apart: Math.max(0, (share - rising) / (1 - rising)),
  };
}

const moved = (curve: Curve, by: readonly number[]): Curve => ({
  ...curve,
  points: curve.points.map((point) => point.map((value, axis) => value + by[axis]!)),
});

/** How far apart pieces are at the end, in the drawing's unit. */
export const driftDistance = ({ view }: FigureDocument): number =>
  0.14 * Math.min(view.right - view.left, view.top - view.bottom);

/** What is drawn while a curve comes apart at all of its knots. */
export function driftAtKnots(curve: Curve, share: number, distance: number): FigurePreview {
  const cuts = interiorKnots(curve.knots, curve.degree).map(({ value }) => value);
  const missing = curve.periodic ? [] : risingKnots(curve, cuts);
  return driftPreview(curve, missing, piecesOf(curve), progressAt(share, missing.length), distance);
}

/**
 * What is drawn while a curve comes apart: first the curve itself with more and more knots, so that its polygon comes
 * nearer to it, then its pieces, each with the legs that lie on one line at every joint.
 * @param distance how far apart the pieces are at the end, in the drawing's unit
 */
export function driftPreview(
  curve: Curve,
  missing: readonly number[],
  pieces: readonly Curve[],
  { inserted, apart }: Progress,
  distance: number,
): FigurePreview {
  const nothing = { places: [], pulls: [], polygon: false };
  if (apart === 0) {
    const risen = missing.slice(0, inserted).reduce((made, u) => insertKnot(made, u), curve);
    return { ...nothing, curves: [{ curve: risen, color: 'teal' }] };
  }
  const drifts = driftOf(pieces, apart * distance);
  const there = pieces.map((piece, index) => moved(piece, drifts[index]!));
  const legs = there.flatMap(({ points }, index): (readonly [Point, Point])[] => [
    ...(index > 0 ? [[points[0]!, points[1]!] as const] : []),
    ...(index < there.length - 1 ? [[points.at(-2)!, points.at(-1)!] as const] : []),
  ]);
  return {
    ...nothing,
    curves: there.map((piece, index) => ({ curve: piece, color: colorOfPiece(index) })),
    pulls: legs,
  };
}
