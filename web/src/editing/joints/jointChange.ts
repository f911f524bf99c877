import {
  CurveError,
  matchCurve,
  type Curve,
  type JointContinuity,
  type MeasuredContinuity,
  type Point,
} from '@bogen/core/curve';
import {
  curveOf,
  operations,
  type EndOfCurve,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import type { Told } from '@bogen/core/lesson';
import { evaluationOf } from '../../figure/geometry/geometry.js';

/** A joint of two curves, or a knot of one, that can be brought to a continuity. */
export type Place =
  | { readonly kind: 'joint'; readonly moves: EndOfCurve; readonly stays: EndOfCurve }
  | { readonly kind: 'knot'; readonly item: string; readonly knot: number };

/** What bringing it to a continuity would come to. */
interface JointOutcome {
  readonly continuity: JointContinuity;
  readonly command: FigureCommand;
  /** The control points that would move, from where to where. */
  readonly moves: readonly (readonly [Point, Point])[];
  /** The farthest of these moves, in the drawing's unit. */
  readonly largestMove: number;
}

export type JointChange = JointOutcome | { readonly continuity: JointContinuity; readonly refused: Told };

/** In the order in which they are offered. Equal position is both C0 and G0. */
const offered: readonly JointContinuity[] = ['G0', 'C1', 'C2', 'G1', 'G2', 'G3'];
export const signOf = (continuity: JointContinuity): string => (continuity === 'G0' ? 'C0' : continuity);

/** A move below this share of the size of the figure is rounding. */
const rounding = 1e-9;

/** What each continuity would come to at a place. */
export function jointChanges(document: FigureDocument, place: Place): readonly JointChange[] {
  return offered.map((continuity) => {
    try {
      return place.kind === 'joint'
        ? atJoint(document, place, continuity)
        : atKnot(document, place, continuity);
    } catch (error) {
      if (error instanceof CurveError) return { continuity, refused: error.told };
      throw error;
    }
  });
}

function curveIn(document: FigureDocument, id: string): Curve {
  const curve = curveOf(evaluationOf(document), id);
  if (!curve) throw new Error(`${id} has no curve`);
  return curve;
}

function atJoint(
  document: FigureDocument,
  { moves: { item, end }, stays }: Place & { kind: 'joint' },
  continuity: JointContinuity,
): JointOutcome {
  const before = curveIn(document, item);
  const { curve } = matchCurve(before, curveIn(document, stays.item), continuity, end, stays.end);
  return { continuity, command: { name: 'setCurve', item, curve }, ...movesBetween(before, curve) };
}

function atKnot(
  document: FigureDocument,
  { item, knot }: Place & { kind: 'knot' },
  continuity: JointContinuity,
): JointOutcome {
  const before = curveIn(document, item);
  const args = { parameter: knot, continuity };
  const { curve, measure } = operations.continuityAtKnot.run([{ kind: 'curve', curve: before }], args);
  const operation = { name: 'continuityAtKnot', source: item, ...args } as const;
  return {
    continuity,
    command: { name: 'operate', item, operation, curve },
    moves: movesBetween(before, curve).moves,
    largestMove: measure?.value ?? 0,
  };
}

/** Where each control point goes; none where there are more or fewer than before. */
function movesBetween(before: Curve, after: Curve): Pick<JointOutcome, 'moves' | 'largestMove'> {
  if (before.points.length !== after.points.length) return { moves: [], largestMove: 0 };
  const size = Math.max(...before.points.flat().map(Math.abs));
  const moves = before.points.flatMap((from, index): (readonly [Point, Point])[] => {
    const to = after.points[index]!;
    return Math.hypot(to[0]! - from[0]!, to[1]! - from[1]!) > rounding * size ? [[from, to]] : [];
  });
  return {
    moves,
    largestMove: Math.max(0, ...moves.map(([a, b]) => Math.hypot(b[0]! - a[0]!, b[1]! - a[1]!))),
  };
}

/** Measured continuity in short: C2; where direction or curvature agree without the derivatives also G2. */
export function shortContinuity({ parametric, geometric }: MeasuredContinuity): string {
  if (parametric < 0) return '–';
  return geometric > parametric ? `C${parametric} G${geometric}` : `C${parametric}`;
}

/** The continuities that hold now, which are those that can be locked. */
export function heldContinuities({ parametric, geometric }: MeasuredContinuity): readonly JointContinuity[] {
  return offered.filter((continuity) =>
    continuity.startsWith('C') ? parametric >= Number(continuity[1]) : geometric >= Number(continuity[1]),
  );
}
