import {
  CurveError,
  distinctKnots,
  domainOf,
  guaranteedContinuity,
  insertedPoints,
  insertKnot,
  removeKnot,
  withEndMultiplicity,
  type Curve,
  type CurveEnd,
} from '@bogen/core/curve';
import type { FigureCommand } from '@bogen/core/figure';
import type { Told } from '@bogen/core/lesson';
import type { FigurePreview } from '../figure/scene/sceneParts.js';
import { shownAtMost, shownNumber } from '../text/number.js';

/** What the hand or a key does to the knots of a curve. */
export type KnotChange =
  | { readonly kind: 'insert'; readonly at: number }
  | { readonly kind: 'move'; readonly knot: number; readonly to: number; readonly times?: number }
  | { readonly kind: 'end'; readonly end: CurveEnd; readonly multiplicity: number }
  | { readonly kind: 'remove'; readonly knot: number; readonly times: number };

/** Whether two changes are one and the same. */
export function isSameChange(a: KnotChange, b: KnotChange): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** What a change of the knots would come to. */
export interface KnotOutcome {
  readonly command: FigureCommand;
  /** What is drawn over the figure while it is in the hand. */
  readonly preview: FigurePreview;
  /** The knot as it would be; multiplicity 0 where it would be gone. */
  readonly knot: { readonly value: number; readonly multiplicity: number };
  /** The order of continuity that is guaranteed there then; −1 for a gap. */
  readonly order: number;
  /** Set where it is the knot at an end of the domain. */
  readonly end?: true;
  /** How far the curve would move at most; nothing where its shape stays, or is another by intent. */
  readonly deviation: number | undefined;
}

const nothing: FigurePreview = { places: [], pulls: [], polygon: false };

/**
 * What a change comes to.
 * @returns the sentence that says why not, where it can't be done
 */
export function outcomeOf(
  curve: Curve,
  item: string,
  change: KnotChange,
): KnotOutcome | { readonly refused: Told } {
  try {
    switch (change.kind) {
      case 'insert':
        return inserted(curve, item, change.at);
      case 'move':
        return moved(curve, item, change);
      case 'end':
        return atEnd(curve, item, change);
      case 'remove':
        return removed(curve, item, change.knot, change.times);
    }
  } catch (error) {
    if (error instanceof CurveError) return { refused: error.told };
    throw error;
  }
}

/** Each new point stands on its leg of the old polygon with its ratio. */
function inserted(curve: Curve, item: string, at: number): KnotOutcome {
  const result = insertKnot(curve, at);
  const points = insertedPoints(curve, at);
  return {
    command: {
      name: 'operate',
      item,
      operation: { name: 'insertKnot', source: item, parameter: at, times: 1 },
      curve: result,
    },
    preview: {
      ...nothing,
      pulls: points.map(({ parents }) => parents),
      numbers: points.map(({ at: place, ratio }) => ({ at: place, text: shownNumber(ratio, 1) })),
    },
    ...knotOf(result, at),
    deviation: undefined,
  };
}

function moved(
  curve: Curve,
  item: string,
  { knot, to, times }: KnotChange & { readonly kind: 'move' },
): KnotOutcome {
  const found = distinctKnots(curve.knots, curve.degree);
  const own = times ?? found.find(({ value }) => value === knot)?.multiplicity ?? 0;
  const onto = to === knot ? 0 : (found.find(({ value }) => value === to)?.multiplicity ?? 0);
  const multiplicity = own + onto;
  return {
    command: { name: 'moveKnot', item, knot, to, ...(times === undefined ? {} : { times }) },
    preview: nothing,
    knot: { value: to, multiplicity },
    order: curve.degree - multiplicity,
    deviation: undefined,
  };
}

/** The control points stay; where the knot stands fewer than p times the curve leaves its end point. */
function atEnd(
  curve: Curve,
  item: string,
  { end, multiplicity }: KnotChange & { readonly kind: 'end' },
): KnotOutcome {
  // What can't be is refused before it is shown.
  withEndMultiplicity(curve, end, multiplicity);
  const [start, last] = domainOf(curve.knots, curve.degree);
  return {
    command: { name: 'setEndMultiplicity', item, end, multiplicity },
    preview: nothing,
    knot: { value: end === 'start' ? start : last, multiplicity },
    order: curve.degree - multiplicity,
    end: true,
    deviation: undefined,
  };
}

/** Where the curve would move most is marked, with how far. */
function removed(curve: Curve, item: string, knot: number, times: number): KnotOutcome {
  const { curve: result, deviation } = removeKnot(curve, knot, times);
  return {
    command: {
      name: 'operate',
      item,
      operation: { name: 'removeKnot', source: item, parameter: knot, times },
      curve: result,
    },
    preview: {
      ...nothing,
      numbers: [{ at: deviation.point, text: `${shownAtMost(deviation.distance)} mm` }],
    },
    ...knotOf(result, knot),
    deviation: deviation.distance,
  };
}

/** The knot of a curve at a parameter, and the continuity that it guarantees. */
function knotOf(curve: Curve, at: number): Pick<KnotOutcome, 'knot' | 'order'> {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const near = 1e-9 * (end - start);
  const found = distinctKnots(curve.knots, curve.degree).find(({ value }) => Math.abs(value - at) < near);
  const guaranteed = guaranteedContinuity(curve).find(({ knot }) => Math.abs(knot - at) < near);
  return {
    knot: { value: found?.value ?? at, multiplicity: found?.multiplicity ?? 0 },
    order: guaranteed?.order ?? curve.degree,
  };
}
