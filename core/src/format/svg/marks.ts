import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { derivativesAt } from '../../curve/evaluate.js';
import { domainOf, interiorKnots, isClamped } from '../../curve/knotVector.js';
import { editPoints } from '../../curve/editPoint.js';
import { distinctPointCount } from '../../curve/periodic.js';
import type { Shown } from '../../figure/document/shown.js';
import { isShown } from '../../figure/document/seen.js';
import type { FigureItem } from '../../figure/document/item.js';
import { labelDirection } from '../../figure/part/labelDirection.js';
import { pointLetter } from '../../figure/document/pointNames.js';
import type { OutgoingCurve } from '../define.js';
import { number, place } from './path.js';
import type { Paper, Part } from './paper.js';

/** Sizes in millimetres on paper. */
const sizes = { ring: 0.8, lozenge: 0.9, hair: 0.18, knot: 1.1, name: 3, away: 2.6 };

/**
 * What stands beside curves, as far as the figure shows it: polygons, control points, edit points, knots, and their names; and
 * where there are several curves, what each is called.
 */
export function marksOf(curves: readonly OutgoingCurve[], paper: Paper): Part {
  const parts = curves.flatMap((one) => [
    marksOfCurve(one, paper),
    ...(curves.length > 1 ? [nameOf(one, paper)] : []),
  ]);
  return {
    elements: parts.flatMap(({ elements }) => elements),
    places: parts.flatMap(({ places }) => places),
  };
}

function marksOfCurve({ item, curve }: OutgoingCurve, paper: Paper): Part {
  const { document, notation } = paper;
  const isOwn = item.kind === 'curve' && item.faint !== true;
  const onRail = paper.isOnRail(item);
  const shows = (key: keyof Shown, of: boolean): boolean => of && isShown(document, key, item);
  const colour = paper.colour(item);
  const names = isShown(document, 'labels', item);
  const lines: string[] = [];
  const texts: Part[] = [];
  const places: Point[] = [];
  const named = (
    points: readonly Point[],
    index: number,
    at: Point,
    of: 'controlPoints' | 'editPoints',
  ): void => {
    const [x, y] = labelDirection(points, index);
    // Edit points have their names on the other side, so that both can be read.
    const away = paper.length(of === 'controlPoints' ? sizes.away : -sizes.away);
    const middle: Point = [at[0]! + x * away, at[1]! + y * away - paper.length(sizes.name) / 3];
    const letter = pointLetter(document, item.id, of, notation);
    texts.push(
      paper.text(middle, [letter, index + notation.first], { height: sizes.name, anchor: 'middle', colour }),
    );
  };
  const pointsAreSeen = shows('controlPoints', isOwn || onRail);
  if (shows('polygon', item.kind === 'curve' || onRail)) {
    lines.push(
      `<polyline points="${curve.points.map((point) => place(point).replace(' ', ',')).join(' ')}"/>`,
    );
    places.push(...curve.points);
  }
  if (shows('knots', true)) lines.push(knotsOf(curve, paper));
  if (pointsAreSeen)
    curve.points.slice(0, distinctPointCount(curve)).forEach((point, index) => {
      lines.push(
        `<circle cx="${number(point[0]!)}" cy="${number(-point[1]!)}" r="${paper.written(sizes.ring)}" fill="#fff"/>`,
      );
      places.push(point);
      if (names) named(curve.points, index, point, 'controlPoints');
    });
  if (shows('editPoints', isOwn || (onRail && item.kind === 'built')))
    editPointsOf(curve).forEach(({ point }, index, all) => {
      // The first and the last of a clamped curve lie on control points, whose marks stand for both.
      if (pointsAreSeen && isClamped(curve.knots, curve.degree) && (index === 0 || index === all.length - 1))
        return;
      lines.push(lozenge(point, paper, colour));
      places.push(point);
      if (names && isOwn) named(curve.points, index, point, 'editPoints');
    });
  return {
    elements: [
      `<g fill="none" stroke="${colour}" stroke-width="${paper.written(sizes.hair)}">${lines.join('')}</g>`,
      ...texts.flatMap(({ elements }) => elements),
    ],
    places: [...places, ...texts.flatMap((text) => text.places)],
  };
}

function lozenge([x, y]: Point, paper: Paper, colour: string): string {
  const half = paper.length(sizes.lozenge);
  const corners: readonly Point[] = [
    [x!, y! + half],
    [x! + 0.7 * half, y!],
    [x!, y! - half],
    [x! - 0.7 * half, y!],
  ];
  return `<path d="M${corners.map(place).join('L')}Z" fill="${colour}"/>`;
}

/** A stroke across the curve at each knot within it. */
function knotsOf(curve: Curve, paper: Paper): string {
  const half = paper.length(sizes.knot);
  const strokes = interiorKnots(curve.knots, curve.degree).flatMap(({ value }) => {
    try {
      const [at, tangent] = derivativesAt(curve, value, 1) as [Point, Point];
      const size = Math.hypot(tangent[0]!, tangent[1]!);
      if (!(size > 0)) return [];
      const [nx, ny] = [(-tangent[1]! / size) * half, (tangent[0]! / size) * half];
      return [`M${place([at[0]! + nx, at[1]! + ny])}L${place([at[0]! - nx, at[1]! - ny])}`];
    } catch (error) {
      if (error instanceof CurveError) return [];
      throw error;
    }
  });
  return strokes.length > 0 ? `<path d="${strokes.join('')}" stroke-width="${paper.written(0.35)}"/>` : '';
}

function editPointsOf(curve: Curve): readonly { readonly point: Point }[] {
  try {
    return editPoints(curve);
  } catch (error) {
    // Some curves have none.
    if (error instanceof CurveError) return [];
    throw error;
  }
}

/** What a curve is called, beside its middle. */
function nameOf({ item, curve }: { readonly item: FigureItem; readonly curve: Curve }, paper: Paper): Part {
  const [start, end] = domainOf(curve.knots, curve.degree);
  let at: Point;
  try {
    [at] = derivativesAt(curve, (start + end) / 2, 0) as [Point];
  } catch (error) {
    if (!(error instanceof CurveError)) throw error;
    at = curve.points[0]!;
  }
  const beside: Point = [at[0]! + paper.length(1.2), at[1]! + paper.length(1.6)];
  return paper.text(beside, item.name, { height: 2.6, colour: paper.colour(item) });
}
