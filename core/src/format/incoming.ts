import type { BezierChain } from '../curve/bezierChain.js';
import type { Curve, Point } from '../curve/curve.js';
import { CurveError } from '../curve/error.js';
import { settleKnots } from '../curve/settleKnots.js';
import { validateCurve } from '../curve/validate.js';
import type { FigureItem } from '../figure/document/item.js';
import { told } from '../told/told.js';
import { FormatError, type ReadFile } from './define.js';
import { formatLimits } from './limits.js';

/** A thing of a file on its way into a figure: a curve, a circle or ellipse that stays what it is, or a reference point. */
export interface Incoming {
  readonly name: string;
  readonly curve?: Curve;
  readonly circle?: { readonly centre: Point; readonly radius: number };
  readonly ellipse?: { readonly centre: Point; readonly x: Point; readonly y: Point };
  /** A chain of cubic pieces between nodes with handles. */
  readonly chain?: BezierChain;
  readonly at?: Point;
}

/** What came in as items, and how many things lie outside of the plane. */
export function collected(
  incoming: readonly Incoming[],
  left: ReadonlyMap<string, number>,
  millimetres: number,
): ReadFile {
  if (incoming.length > formatLimits.items)
    throw new FormatError(told('fileTooMany', { most: formatLimits.items, what: 'curves and points' }));
  let inSpace = 0;
  const items = incoming.flatMap((one, index): FigureItem[] => {
    const item = itemOf(one, index + 1);
    if (!item) inSpace++;
    return item ? [item] : [];
  });
  if (items.length === 0 && inSpace === 0) throw new FormatError(told('fileNothing'));
  const kinds = [...left].map(([what, count]) => ({ what, count }));
  return {
    items,
    left:
      inSpace > 0
        ? [...kinds, { what: 'curves that are not in the plane of the drawing', count: inSpace }]
        : kinds,
    millimetres,
  };
}

function itemOf(
  { name: given, curve, circle, ellipse, chain, at }: Incoming,
  number: number,
): FigureItem | undefined {
  const name = given.trim().slice(0, 200) || `${at ? 'Point' : 'Curve'} ${number}`;
  const base = { id: `i${number}`, name };
  if (curve) {
    const plane = inPlane(curve);
    return plane && { ...base, kind: 'curve', curve: plane };
  }
  if (chain) return { ...base, kind: 'shape', shape: { kind: 'chain', chain } };
  const flat = (...points: readonly Point[]): boolean => points.every(([, , z = 0]) => z === 0);
  const xy = ([x, y]: Point): Point => [x!, y!];
  if (circle && flat(circle.centre))
    return {
      ...base,
      kind: 'shape',
      shape: { kind: 'circle', centre: xy(circle.centre), radius: circle.radius, layout: 'quadratic9' },
    };
  if (ellipse && flat(ellipse.centre, ellipse.x, ellipse.y))
    return {
      ...base,
      kind: 'shape',
      shape: {
        kind: 'ellipse',
        centre: xy(ellipse.centre),
        axisX: xy(ellipse.x),
        axisY: xy(ellipse.y),
        layout: 'quadratic9',
      },
    };
  return at && flat(at) ? { ...base, kind: 'point', at: xy(at) } : undefined;
}

/** A curve whose third coordinates are all zero, without them; nothing where they are not. */
function inPlane(curve: Curve): Curve | undefined {
  if (curve.points.some(([, , z = 0]) => z !== 0)) return undefined;
  return { ...curve, points: curve.points.map(([x, y]) => [x!, y!]) };
}

/**
 * A curve that its file calls closed, as a periodic one where its points and knots repeat; closed but clamped it stays what
 * it is.
 */
export function asPeriodicWhereClosed(curve: Curve): Curve {
  const settled = settleKnots(curve.knots, curve.degree);
  const periodic: Curve = { ...curve, knots: settled, periodic: true };
  const { degree, points, knots } = curve;
  if (knots[0] === knots[degree] || points.length <= degree) return curve;
  try {
    validateCurve(periodic);
    return { ...curve, periodic: true };
  } catch (error) {
    if (error instanceof CurveError) return curve;
    throw error;
  }
}
