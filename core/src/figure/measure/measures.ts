import { unionOf, type UnionField } from '../../describe/describe.js';
import { isCurveItem, type FigureItem } from '../document/item.js';
import { basis, type BasisMeasure } from './basis.js';
import { continuity, type ContinuityMeasure } from './continuity.js';
import { coordinate, type CoordinateMeasure } from './coordinate.js';
import { curvePoint, type CurvePointMeasure } from './curvePoint.js';
import { cursor, type CursorMeasure } from './cursor.js';
import { curvature, type CurvatureMeasure } from './curvature.js';
import type { Measured, MeasuredValue, MeasureMember } from './define.js';
import { deviation, type DeviationMeasure } from './deviation.js';
import { fact, type FactMeasure } from './fact.js';
import { knot, type KnotMeasure } from './knot.js';
import { roundness, type RoundnessMeasure } from './roundness.js';
import { smoothness, type SmoothnessMeasure } from './smoothness.js';
import { weight, type WeightMeasure } from './weight.js';

/** Something that can be measured of a figure. */
export type Measure =
  | FactMeasure
  | KnotMeasure
  | WeightMeasure
  | CoordinateMeasure
  | ContinuityMeasure
  | SmoothnessMeasure
  | DeviationMeasure
  | RoundnessMeasure
  | CurvatureMeasure
  | CurvePointMeasure
  | BasisMeasure
  | CursorMeasure;
export type MeasureKind = Measure['of'];

/** Everything that can be measured. A new one is a file beside these, and a line for its type and one for itself here. */
export const measures: {
  readonly [Kind in MeasureKind]: MeasureMember<Extract<Measure, { readonly of: Kind }>>;
} = {
  fact,
  knot,
  weight,
  coordinate,
  continuity,
  smoothness,
  deviation,
  roundness,
  curvature,
  curvePoint,
  basis,
  cursor,
};

export const measureDescription = unionOf('of', measures) as UnionField<Measure>;

const memberOf = (kind: MeasureKind): MeasureMember<Measure> =>
  measures[kind] as unknown as MeasureMember<Measure>;

/** What a measure comes to now; nothing where what it is about is not there, or can't be measured. */
export function measured(measure: Measure, of: Measured): MeasuredValue | undefined {
  // A cursor of another curve may lie outside of this one.
  return memberOf(measure.of).measure(measure, of);
}

/** Everything that can be measured of an item and comes to something now. */
export function offeredMeasures(item: FigureItem, of: Measured): Measure[] {
  if (!isCurveItem(item) && item.kind !== 'point') return [];
  return (Object.keys(measures) as MeasureKind[])
    .flatMap((kind) => memberOf(kind).offers(item, of))
    .filter((measure) => measured(measure, of) !== undefined);
}
