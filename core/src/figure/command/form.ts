import { told } from '../../told/told.js';
import type { Curve } from '../../curve/curve.js';
import { tagged, unionOf, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { looseOf, type FigureDocument, type LoosePoints } from '../document/document.js';
import { isCurveItem, type FigureItem } from '../document/item.js';
import { operationDescription } from '../operation/operations.js';
import { curve } from '../part/parts.js';
import { shapeDescription } from '../shape/shapes.js';
import { withItem, withLoose } from './change.js';

/**
 * What a curve item is made of, apart from its attributes: given, drawn as a shape, or built. A command that
 * gives an item another form leaves its name, colour, line, visibility, lock and own looks as they are.
 */
export const formDescription = unionOf('kind', {
  curve: { description: tagged('kind', 'curve', { curve }) },
  shape: { description: tagged('kind', 'shape', { shape: shapeDescription }) },
  built: { description: tagged('kind', 'built', { operation: operationDescription }) },
});
export type Form = ValueOf<typeof formDescription>;

/** @throws CommandError where the item is a reference point or a picture */
export function formOf(item: FigureItem): Form {
  if (!isCurveItem(item)) throw new CommandError(told('notACurve', { name: item.name }));
  if (item.kind === 'curve') return { kind: 'curve', curve: item.curve };
  return item.kind === 'shape'
    ? { kind: 'shape', shape: item.shape }
    : { kind: 'built', operation: item.operation };
}

/** The document with an item in another form, its attributes kept. */
export function withForm(document: FigureDocument, item: FigureItem, form: Form): FigureDocument {
  formOf(item);
  const attributes = { ...item } as Record<string, unknown>;
  for (const key of ['kind', 'curve', 'shape', 'operation']) delete attributes[key];
  return withItem(document, { ...attributes, ...form } as FigureItem);
}

/**
 * The loose points of a curve after it became another: all where all were loose, and else those that there
 * still are.
 */
function looseAfter(document: FigureDocument, item: FigureItem, made: Curve): LoosePoints | undefined {
  const loose = looseOf(document, item.id);
  if (!loose || item.kind !== 'curve') return undefined;
  const count = item.curve.points.length;
  const keep = (indices: readonly number[]): readonly number[] =>
    indices.length === count
      ? made.points.map((_, index) => index)
      : indices.filter((index) => index < made.points.length);
  return { controlPoints: keep(loose.controlPoints), editPoints: keep(loose.editPoints) };
}

/** A given curve in the place of whatever form an item had. */
export function withGivenCurve(document: FigureDocument, item: FigureItem, made: Curve): FigureDocument {
  const loose = looseAfter(document, item, made);
  return withForm(withLoose(document, item.id, loose), item, { kind: 'curve', curve: made });
}

/** An item becomes a given curve, and the command that gives it back its form and its loose points. */
export function becomeGiven(document: FigureDocument, item: FigureItem, made: Curve) {
  return {
    document: withGivenCurve(document, item, made),
    inverse: {
      name: 'setForm',
      item: item.id,
      form: formOf(item),
      loose: looseOf(document, item.id) ?? null,
    },
  } as const;
}
