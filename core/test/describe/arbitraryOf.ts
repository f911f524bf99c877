import fc from 'fast-check';
import type { Curve } from '../../src/curve/curve.js';
import type { Field } from '../../src/describe/describe.js';
import { figureDescription } from '../../src/figure/document/document.js';
import { curve as curveDescription } from '../../src/figure/part/parts.js';
import { arbitraryCurve } from '../curve/arbitrary.js';

/** Ids to choose from where a value refers to something, and for what is new. */
export interface Ids {
  readonly items: readonly string[];
  readonly sheets: readonly string[];
}

const coordinate = fc.double({ min: -100, max: 100, noNaN: true }).map((value) => value + 0);
const plain: fc.Arbitrary<Curve> = arbitraryCurve({ dimension: 2 });

/** Random values as a description describes them, within its limits. Curves are whole ones, since no others are ever stored. */
export function arbitraryOf(field: Field, ids: Ids): fc.Arbitrary<unknown> {
  const of = (part: Field): fc.Arbitrary<unknown> => arbitraryOf(part, ids);
  if (field === curveDescription) return plain;
  if (field === figureDescription) return fc.constant(null);
  switch (field.type) {
    case 'number': {
      const { above, below } = field;
      const most = field.most ?? below ?? 100;
      const least = field.least ?? above ?? Math.max(-100, most - 200);
      return fc
        .double({
          min: least,
          max: Math.max(most, least),
          minExcluded: above !== undefined,
          maxExcluded: below !== undefined,
          noNaN: true,
        })
        .map((value) => value + 0);
    }
    case 'whole':
      return fc.integer({ min: field.least, max: Math.min(field.most, field.least + 8) });
    case 'flag':
      return fc.boolean();
    case 'true':
      return fc.constant(true);
    case 'text':
      return field.uuid
        ? fc.uuid()
        : fc.string({ minLength: field.least, maxLength: Math.min(field.most, field.least + 12) });
    case 'choice':
      return fc.constantFrom<string | number>(...field.choices);
    case 'id':
      return fc.constantFrom(
        ...(field.of === 'item' ? ids.items : ids.sheets),
        ...(field.own ? ['fresh'] : []),
      );
    case 'place':
      return fc.tuple(coordinate, coordinate);
    case 'scalar':
      return fc.oneof(fc.string({ maxLength: 8 }), fc.integer(), fc.boolean(), fc.constant(null));
    case 'list':
      return fc.array(of(field.of), {
        minLength: field.least,
        maxLength: Math.min(field.most, field.least + 4),
      });
    case 'pair':
      return fc.tuple(of(field.of), of(field.of));
    case 'record':
      return fc.dictionary(of(field.keys) as fc.Arbitrary<string>, of(field.of), { maxKeys: 2 });
    case 'object':
      return objectOf(field.fields, ids);
    case 'optional':
      return of(field.of);
    case 'nullable':
      return fc.oneof(of(field.of), fc.constant(null));
    case 'either':
      return fc.oneof(of(field.of[0]), of(field.of[1]));
    case 'union':
      return fc.oneof(...Object.values(field.members).map(({ fields }) => objectOf(fields, ids)));
    case 'tree':
      return fc.constant({ type: 'paragraph' });
  }
}

function objectOf(fields: Readonly<Record<string, Field>>, ids: Ids): fc.Arbitrary<unknown> {
  const entries = Object.entries(fields);
  const required = entries.filter(([, part]) => part.type !== 'optional').map(([key]) => key);
  return fc.record(Object.fromEntries(entries.map(([key, part]) => [key, arbitraryOf(part, ids)])), {
    requiredKeys: required,
  });
}
