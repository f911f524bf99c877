import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { passageBetween, type OnTheWay } from '../../curve/passage.js';
import { itemOf, type FigureDocument, type View } from '../document/document.js';
import { isCurveItem, type FigureItem } from '../document/item.js';
import { curveOf, evaluateFigure } from './evaluate.js';

/** A figure on its way from one state to another, with the polygons of the curves that are moving. */
interface FigureOnTheWay {
  readonly document: FigureDocument;
  readonly polygons: ReadonlyMap<Curve, readonly Point[]>;
}

/**
 * The way from one state of a figure to another, to be shown as motion: curves and reference points that are in both go
 * from where they were to where they will be, and so does the view. What comes is there from the beginning, and what goes
 * is gone.
 * @returns what is seen at a time from 0 to before 1, when it is the second state; nothing where nothing moves
 */
export function figurePassage(
  from: FigureDocument,
  to: FigureDocument,
): ((time: number) => FigureOnTheWay) | undefined {
  const [before, after] = [evaluateFigure(from), evaluateFigure(to)];
  const ways = new Map<string, (time: number) => OnTheWay>();
  for (const item of to.items) {
    const [first, second] = [curveOf(before, item.id), curveOf(after, item.id)];
    if (!first || !second || first === second || JSON.stringify(first) === JSON.stringify(second)) continue;
    try {
      ways.set(item.id, passageBetween(first, second));
    } catch (error) {
      if (!(error instanceof CurveError)) throw error;
    }
  }
  const goes = (item: FigureItem): readonly [Point, Point] | undefined => {
    const was = item.kind === 'point' ? itemOf(from, item.id) : undefined;
    return item.kind === 'point' && was?.kind === 'point' && was.at.join() !== item.at.join()
      ? [was.at, item.at]
      : undefined;
  };
  const isStill = ways.size === 0 && !to.items.some(goes);
  if (isStill && sameView(from.view, to.view)) return undefined;
  return (time) => {
    const polygons = new Map<Curve, readonly Point[]>();
    const items = to.items.map((item): FigureItem => {
      const places = goes(item);
      if (places && item.kind === 'point') {
        const [was, is] = places;
        return { ...item, at: is.map((value, axis) => was[axis]! + time * (value - was[axis]!)) };
      }
      const seen = ways.get(item.id)?.(time);
      if (!seen || !isCurveItem(item)) return item;
      polygons.set(seen.curve, seen.polygon);
      const attributes = { ...item } as Record<string, unknown>;
      for (const key of ['shape', 'operation', 'lockedJoints', 'lockedKnots']) delete attributes[key];
      return { ...attributes, kind: 'curve', curve: seen.curve } as unknown as FigureItem;
    });
    return { document: { ...to, items, view: viewBetween(from.view, to.view, time) }, polygons };
  };
}

const sides = ['left', 'right', 'bottom', 'top', 'grid'] as const;
const sameView = (a: View, b: View): boolean => sides.every((side) => a[side] === b[side]);
const viewBetween = (from: View, to: View, time: number): View =>
  sameView(from, to)
    ? to
    : (Object.fromEntries(
        sides.map((side) => [side, from[side] + time * (to[side] - from[side])]),
      ) as unknown as View);
