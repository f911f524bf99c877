import type { MeasuredContinuity } from '../../curve/continuity.js';
import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { editPoints } from '../../curve/editPoint.js';
import type { LargestDistance } from '../../curve/hausdorff.js';
import type { JointContinuity } from '../../curve/match.js';
import { sampleCurve } from '../../curve/sample.js';
import { distance, subtract } from '../../curve/vector.js';
import {
  number,
  tagged,
  itemId,
  type ChoiceField,
  type Field,
  type IdField,
  type ObjectField,
  type ValueOf,
} from '../../describe/describe.js';
import type { FigureDocument, PointKind } from '../../figure/document/document.js';
import { isCurveItem, type FigureItem } from '../../figure/document/item.js';
import type { Evaluation } from '../../figure/evaluation/evaluate.js';
import { told } from '../../told/told.js';

/** How one condition came out, with the number that decided it. */
export interface ConditionResult {
  readonly met: boolean;
  /** What was measured, in the condition's own quantity; `null` where it could not be. */
  readonly measured: number | null;
  /** By how much it is too large, or where below zero too small; not there where it is met or has no direction. */
  readonly off?: number;
  /** From where it is to where it is to go, in the plane or in space. */
  readonly toward?: readonly number[];
  /** Measuring it would take too much calculation for one check. */
  readonly tooMuch?: true;
}

/** What a condition looks at: the figure with its geometry, and the curve that the condition is about. */
export interface Judged {
  readonly document: FigureDocument;
  readonly evaluation: Evaluation;
  readonly curve: Curve;
  readonly item: FigureItem;
}

/** What a condition measures, which decides how the number reads. */
export type Quantity =
  | 'length'
  | 'area'
  | 'count'
  | 'degree'
  | 'curvature'
  | 'order'
  | 'share'
  | 'degrees'
  | 'number'
  | 'holds';

type Fields = Readonly<Record<string, Field>>;

/** A member of the registry of conditions: everything about it that is no interface. */
export interface ConditionMember<Kind extends string = string, Arguments extends Fields = Fields> {
  readonly description: ObjectField<{ readonly kind: ChoiceField<Kind>; readonly item: IdField } & Arguments>;
  readonly quantity: Quantity;
  /** @param start the figure that the reader was given */
  readonly judge: (args: ValueOf<ObjectField<Arguments>>, now: Judged, start: Judged) => ConditionResult;
  /** What its blanks hold when it is asked of a curve: mostly what is measured of it now. */
  readonly first: (now: Judged, cursor: number) => ValueOf<ObjectField<Arguments>>;
  /** The same of other things of the figure that it could be about: of the points after the first one. */
  readonly others?: (now: Judged) => readonly ValueOf<ObjectField<Arguments>>[];
}

/** One thing that a task can ask of a curve. */
export function defineCondition<const Kind extends string, const Arguments extends Fields>(
  kind: Kind,
  fields: Arguments,
  quantity: Quantity,
  judge: (args: ValueOf<ObjectField<Arguments>>, now: Judged, start: Judged) => ConditionResult,
  first: (now: Judged, cursor: number) => ValueOf<ObjectField<Arguments>>,
  others?: (now: Judged) => readonly ValueOf<ObjectField<Arguments>>[],
): ConditionMember<Kind, Arguments> {
  return {
    description: tagged('kind', kind, { item: itemId, ...fields }) as never,
    quantity,
    judge,
    first,
    ...(others ? { others } : {}),
  };
}

export const tolerance = number({ unit: 'length', least: 0 });

export const notThere: ConditionResult = { met: false, measured: null };

export function atMost(measured: number, limit: number): ConditionResult {
  return between(measured, -Infinity, limit);
}

/**
 * A largest distance of curves within a limit. It is known to a millionth as a rule, and what reaches its limit and no
 * more is within it.
 * @throws CurveError `effort` where all the work that is allowed does not tell
 */
export function withinDistance(
  { distance, atLeast }: Pick<LargestDistance, 'distance' | 'atLeast'>,
  limit: number,
): ConditionResult {
  const slack = limit * (1 + 2e-6);
  if (distance > slack && atLeast <= limit && distance > atLeast * (1 + 1e-5)) {
    throw new CurveError('effort', told('tooMuchWork'));
  }
  return atMost(distance <= slack ? Math.min(distance, limit) : distance, limit);
}

export function atLeast(measured: number, limit: number): ConditionResult {
  return between(measured, limit, Infinity);
}

export function between(measured: number, least: number, most: number): ConditionResult {
  const off = measured > most ? measured - most : measured < least ? measured - least : undefined;
  return {
    met: measured >= least && measured <= most,
    measured,
    ...(off !== undefined && Number.isFinite(off) ? { off } : {}),
  };
}

/** Within a tolerance of a value; whether an answer is above or below it is told, and by how much is not. */
export function near(given: number, value: number, within: number): ConditionResult {
  const off = given - value;
  const met = Math.abs(off) <= within;
  return { met, measured: given, ...(met ? {} : { off: Math.sign(off) }) };
}

/** Within a distance of a place, with the way to it where it is farther. */
export function atPlace(point: Point, place: Point, within: number): ConditionResult {
  const result = atMost(distance(point, place), within);
  const isSameSpace = point.length === place.length;
  return result.met || !isSameSpace ? result : { ...result, toward: subtract(place, point) };
}

/** A condition that holds or does not, without a number between. */
export function holds(met: boolean): ConditionResult {
  return { met, measured: met ? 1 : 0 };
}

/** The largest absolute curvature among the samples of a curve. */
export function largestCurvature(curve: Curve): number {
  return sampleCurve(curve, 64).curvature.reduce((largest, value) => Math.max(largest, Math.abs(value)), 0);
}

/** Another curve of the figure, to begin with; none where there is no other. */
export function otherCurve({ items }: FigureDocument, item: FigureItem): string {
  return items.find((other) => isCurveItem(other) && other.id !== item.id)?.id ?? '';
}

/** Whether a measured continuity reaches the one asked for, with the order that was measured. */
export function orderReached(
  { parametric, geometric }: Pick<MeasuredContinuity, 'parametric' | 'geometric'>,
  continuity: JointContinuity,
): ConditionResult {
  return atLeast(continuity.startsWith('C') ? parametric : geometric, Number(continuity[1]));
}

/** The control points or edit points of a curve. */
export function pointsOfKind(curve: Curve, of: PointKind): readonly Point[] {
  return of === 'controlPoints' ? curve.points : editPoints(curve).map(({ point }) => point);
}
