import fc, { type Arbitrary } from 'fast-check';

/** What of a JSON Schema the contract's schemas come to. */
export interface JsonSchema {
  readonly type?: string | readonly string[];
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly JsonSchema[];
  readonly oneOf?: readonly JsonSchema[];
  readonly allOf?: readonly JsonSchema[];
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: boolean | JsonSchema;
  readonly items?: JsonSchema | false;
  readonly prefixItems?: readonly JsonSchema[];
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly format?: string;
  readonly pattern?: string;
  readonly $ref?: string;
  readonly $defs?: Readonly<Record<string, JsonSchema>>;
}

/** Text as people type it and as nobody does. */
const text = fc.oneof(
  fc.string({ unit: 'grapheme', maxLength: 40 }),
  fc.constantFrom(
    '',
    ' ',
    '\u0000',
    '\ud800',
    '%',
    "'; --",
    '<b>',
    '\u202e',
    '𝕏'.repeat(30),
    'x'.repeat(300),
  ),
);
const numbers = fc.oneof(
  fc.integer({ min: -10, max: 10 }),
  fc.double({ noNaN: true, noDefaultInfinity: true }),
  fc.constantFrom(0, -0, 1e308, -1e308, 5e-324, 2 ** 53, 0.1),
);

/**
 * Values that fit a schema, or nearly: with sizes and ranges at their ends and a little beyond, and now and then a part
 * that is something else.
 */
export function arbitraryOf(schema: JsonSchema, root: JsonSchema = schema, depth = 0): Arbitrary<unknown> {
  if (depth > 8) return fc.constant(null);
  const inside = (part: JsonSchema): Arbitrary<unknown> => arbitraryOf(part, root, depth + 1);
  if (schema.$ref) {
    const name = schema.$ref.split('/').at(-1)!;
    return schema.$ref === '#' ? inside(root) : inside(root.$defs?.[name] ?? {});
  }
  if ('const' in schema) return fc.constant(schema.const);
  if (schema.enum) return fc.constantFrom(...schema.enum);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return fc.oneof(...choices.map(inside));
  if (schema.allOf) return inside(schema.allOf[0]!);
  const fits = ofType(schema, inside, depth);
  return fc.oneof({ arbitrary: fits, weight: 30 }, { arbitrary: fc.jsonValue({ maxDepth: 1 }), weight: 1 });
}

function ofType(
  schema: JsonSchema,
  inside: (part: JsonSchema) => Arbitrary<unknown>,
  depth: number,
): Arbitrary<unknown> {
  const type = Array.isArray(schema.type) ? (schema.type as readonly string[])[0] : schema.type;
  switch (type) {
    case 'object': {
      const parts = Object.entries(schema.properties ?? {}).map(
        ([key, part]) => [key, inside(part)] as const,
      );
      const known = fc.record(Object.fromEntries(parts), {
        requiredKeys: (schema.required ?? []) as never[],
      });
      if (typeof schema.additionalProperties !== 'object') return known;
      return fc.dictionary(fc.string({ maxLength: 8 }), inside(schema.additionalProperties), { maxKeys: 3 });
    }
    case 'array': {
      if (schema.prefixItems) return fc.tuple(...schema.prefixItems.map(inside));
      const least = Math.min(schema.minItems ?? 0, 20);
      const most = Math.max(least, Math.min(schema.maxItems ?? 4, depth > 3 ? 3 : 6));
      return fc.array(schema.items ? inside(schema.items) : fc.jsonValue({ maxDepth: 1 }), {
        minLength: least,
        maxLength: most,
      });
    }
    case 'string':
      if (schema.format === 'uuid') return fc.uuid();
      if (schema.format === 'date-time')
        return fc.constantFrom('2026-11-27T10:00:00Z', '0001-01-01T00:00:00Z');
      if (schema.pattern) return fc.oneof(text, fc.constant('someone@ellerbrook.example'));
      return text;
    case 'integer':
    case 'number':
      return fc.oneof(numbers, fc.constantFrom(schema.minimum ?? -1000, schema.maximum ?? 1000));
    case 'boolean':
      return fc.boolean();
    case 'null':
      return fc.constant(null);
    default:
      return fc.jsonValue({ maxDepth: 3 });
  }
}
