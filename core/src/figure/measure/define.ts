import { CurveError } from '../../curve/error.js';
import type { Curve } from '../../curve/curve.js';
import type { Field } from '../../describe/describe.js';
import { itemOf, type FigureDocument } from '../document/document.js';
import type { FigureItem } from '../document/item.js';
import { curveOf, type Evaluation } from '../evaluation/evaluate.js';
import type { FactUnit, FactValue } from '../fact/define.js';

/** What a measured number counts in; nothing where it is a bare number, such as a parameter. */
export type MeasureUnit = FactUnit | 'curvature' | 'none';

/** What a measure comes to: it is shown in the text and compared by tasks. */
export type MeasuredValue =
  | Exclude<FactValue, { readonly kind: 'number' | 'continuity' }>
  | { readonly kind: 'number'; readonly value: number; readonly unit: MeasureUnit }
  /** An order of parametric continuity; −1 where the curve has a gap. */
  | { readonly kind: 'order'; readonly value: number };

/** A figure as it is measured, with the parameter at which one looks. */
export interface Measured {
  readonly document: FigureDocument;
  readonly evaluation: Evaluation;
  readonly cursor: number;
}

/** A member of the registry of measures: everything about it that is no interface. */
export interface MeasureMember<Measure> {
  readonly description: Field;
  /** What it comes to now; nothing where what it is about is not there, or can't be measured. */
  readonly measure: (measure: Measure, of: Measured) => MeasuredValue | undefined;
  /** What of an item can be measured by it, to choose from. */
  readonly offers: (item: FigureItem, of: Measured) => readonly Measure[];
}

/** Measures something of an item's curve. */
export function onCurve<M extends { readonly item: string }>(
  read: (curve: Curve, measure: M, of: Measured, item: FigureItem) => MeasuredValue | undefined,
): MeasureMember<M>['measure'] {
  return (measure, of) => {
    const curve = curveOf(of.evaluation, measure.item);
    const item = itemOf(of.document, measure.item);
    return curve && item ? unlessUnmeasured(() => read(curve, measure, of, item)) : undefined;
  };
}

/** Nothing where it can't be measured, as at a pole. */
function unlessUnmeasured<T>(read: () => T): T | undefined {
  try {
    return read();
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/** A bare number, or one in a unit; nothing where it is infinite. */
export const numberIn = (value: number | undefined, unit: MeasureUnit): MeasuredValue | undefined =>
  value !== undefined && Number.isFinite(value) ? { kind: 'number', value, unit } : undefined;
