import { measureJoint, type MeasuredContinuity } from '../../curve/continuity.js';
import type { Curve, Point } from '../../curve/curve.js';
import { pointAt } from '../../curve/evaluate.js';
import { domainOf } from '../../curve/knotVector.js';
import type { CurveEnd, JointContinuity } from '../../curve/match.js';
import { reverseCurve } from '../../curve/reparametrise.js';
import { distance, lengthOf } from '../../curve/vector.js';
import { itemOf, type FigureDocument } from '../document/document.js';
import { isCurveItem, sourcesOf } from '../document/item.js';
import { curveOf, type Evaluation } from '../evaluation/evaluate.js';

/** One end of a curve of a figure. */
export interface EndOfCurve {
  readonly item: string;
  readonly end: CurveEnd;
}

/** Two ends of curves that meet at one point. */
export interface Joint {
  readonly first: EndOfCurve;
  readonly second: EndOfCurve;
  readonly at: Point;
  /** The continuity there, running through the first curve into the second. */
  readonly measured: MeasuredContinuity;
  /** The continuity that later changes keep, where the joint is locked. */
  readonly locked: JointContinuity | undefined;
}

/** Ends closer than this share of the size of the figure count as meeting. */
const relativeTolerance = 1e-9;

/** The curve as it is, or reversed, so that it ends at the given end. */
export const runningInto = (curve: Curve, end: CurveEnd): Curve =>
  end === 'end' ? curve : reverseCurve(curve);

/** The curve as it is, or reversed, so that it begins at the given end. */
const runningFrom = (curve: Curve, end: CurveEnd): Curve => (end === 'start' ? curve : reverseCurve(curve));

export function pointOfEnd(curve: Curve, end: CurveEnd): Point {
  const [from, to] = domainOf(curve.knots, curve.degree);
  return pointAt(curve, end === 'start' ? from : to, end === 'start' ? 'right' : 'left');
}

/** The distance within which ends of a figure's curves count as meeting, in the drawing's unit. */
export function meetingTolerance(curves: Iterable<Curve>): number {
  let size = 0;
  for (const { points } of curves) for (const point of points) size = Math.max(size, lengthOf(point));
  return relativeTolerance * size;
}

/** Two ends as one key, whichever comes first. */
const pairKey = (...ends: readonly [EndOfCurve, EndOfCurve]): string =>
  ends
    .map(({ item, end }) => `${item}/${end}`)
    .sort()
    .join(' ');

/** Where more ends than this meet, as in the middle of a star, none of them is taken for continued by another. */
const mostMeeting = 24;

interface End {
  readonly of: EndOfCurve;
  readonly at: Point;
  readonly curve: Curve;
}

/**
 * The pairs of ends of different curves that meet, in the order of the ends. They are looked for along the first axis, so that
 * not every end is compared with every other.
 */
function meetingPairs(ends: readonly End[], tolerance: number): (readonly [End, End])[] {
  const along = ends.map((_, index) => index).sort((a, b) => ends[a]!.at[0]! - ends[b]!.at[0]!);
  /** Goes through the pairs of ends in one place, of which only some are wanted. */
  const visit = (isWanted: (end: number) => boolean, found: (a: number, b: number) => void): void =>
    along.forEach((a, k) => {
      if (!isWanted(a)) return;
      const from = ends[a]!.at;
      for (let next = k + 1; next < along.length; next++) {
        const b = along[next]!;
        const to = ends[b]!.at;
        if (to[0]! - from[0]! > tolerance) return;
        if (isWanted(b) && from.length === to.length && distance(from, to) <= tolerance) found(a, b);
      }
    });
  const counts = ends.map(() => 0);
  visit(
    () => true,
    (a, b) => {
      counts[a]!++;
      counts[b]!++;
    },
  );
  const pairs: [number, number][] = [];
  visit(
    (end) => counts[end]! > 0 && counts[end]! < mostMeeting,
    (a, b) => {
      if (ends[a]!.of.item !== ends[b]!.of.item) pairs.push([Math.min(a, b), Math.max(a, b)]);
    },
  );
  return pairs.sort(([a, b], [c, d]) => a - c || b - d).map(([a, b]) => [ends[a]!, ends[b]!]);
}

/**
 * The joints of a figure: each pair of ends of two different curves that are drawn and meet, with the continuity
 * measured there.
 * @param isWanted of which two items joints are wanted; of all where absent
 */
export function jointsOf(
  document: FigureDocument,
  evaluation: Evaluation,
  isWanted: (one: string, other: string) => boolean = () => true,
): Joint[] {
  const locks = new Map(locksOf(document).map((lock) => [pairKey(lock.first, lock.second), lock]));
  const ends: End[] = [];
  const curves: Curve[] = [];
  for (const item of document.items) {
    const curve = curveOf(evaluation, item.id);
    if (!curve || curve.periodic || item.hidden || !isCurveItem(item) || item.faint) continue;
    curves.push(curve);
    for (const end of ['start', 'end'] as const) {
      ends.push({ of: { item: item.id, end }, at: pointOfEnd(curve, end), curve });
    }
  }
  return meetingPairs(ends, meetingTolerance(curves)).flatMap(([a, b]): Joint[] => {
    if (!isWanted(a.of.item, b.of.item)) return [];
    // A curve that ends comes before one that starts.
    const [first, second] = a.of.end === 'start' && b.of.end === 'end' ? [b, a] : [a, b];
    const measured = measureJoint(
      runningInto(first.curve, first.of.end),
      runningFrom(second.curve, second.of.end),
    );
    // What was made from a curve and lies on it does not continue it.
    if (measured.direction > Math.PI - 1e-6 && isMadeFrom(document, a.of.item, b.of.item)) return [];
    return [
      {
        first: first.of,
        second: second.of,
        at: first.at,
        measured,
        locked: locks.get(pairKey(first.of, second.of))?.continuity,
      },
    ];
  });
}

/** Whether one of two items is built from the other. */
function isMadeFrom(document: FigureDocument, one: string, other: string): boolean {
  const from = (id: string): readonly string[] => {
    const item = itemOf(document, id);
    return item ? sourcesOf(item) : [];
  };
  return from(one).includes(other) || from(other).includes(one);
}

/** A joint that later changes keep: one curve's end at another's, with a continuity. */
export interface Lock {
  readonly first: EndOfCurve;
  readonly second: EndOfCurve;
  readonly continuity: JointContinuity;
}

/**
 * The locks of a figure whose curves are both there. The first of each is given by its points; the second can be a shape
 * or a linked curve, which the first then follows.
 */
export function locksOf(document: FigureDocument): Lock[] {
  const there = new Set(document.items.flatMap((item) => (isCurveItem(item) ? [item.id] : [])));
  return document.items.flatMap((item) =>
    item.kind === 'curve' && item.lockedJoints
      ? item.lockedJoints
          .filter((lock) => there.has(lock.to))
          .map(({ end, to, toEnd, continuity }) => ({
            first: { item: item.id, end },
            second: { item: to, end: toEnd },
            continuity,
          }))
      : [],
  );
}

const isSameEnd = (a: EndOfCurve, b: EndOfCurve): boolean => a.item === b.item && a.end === b.end;

/** The lock between two ends, whichever of both carries it. */
export function lockBetween(document: FigureDocument, a: EndOfCurve, b: EndOfCurve): Lock | undefined {
  return locksOf(document).find(
    ({ first, second }) =>
      (isSameEnd(first, a) && isSameEnd(second, b)) || (isSameEnd(first, b) && isSameEnd(second, a)),
  );
}
