import type { Field, ValueOf } from '@bogen/core/figure';
import { z, type ZodType } from 'zod';

/** Schemas that were derived already, so that each description has one. */
const known = new WeakMap<Field, ZodType>();

/**
 * The schema that checks what core describes: one mechanism for operations, shapes, commands, conditions and
 * documents, so that none of them is written twice. Objects are strict; whether the values make sense together
 * is core's to say.
 */
export function schemaOf<F extends Field>(field: F): ZodType<ValueOf<F>> {
  let schema = known.get(field);
  if (!schema) {
    schema = derive(field);
    known.set(field, schema);
  }
  return schema as ZodType<ValueOf<F>>;
}

function derive(field: Field): ZodType {
  switch (field.type) {
    case 'number': {
      const { least, most, above, below } = field;
      let schema = z.number();
      if (least !== undefined) schema = schema.min(least);
      if (most !== undefined) schema = schema.max(most);
      if (above !== undefined) schema = schema.gt(above);
      if (below !== undefined) schema = schema.lt(below);
      return schema;
    }
    case 'whole':
      return z.int().min(field.least).max(field.most);
    case 'flag':
      return z.boolean();
    case 'true':
      return z.literal(true);
    case 'text':
      return field.uuid ? z.uuid() : z.string().min(field.least).max(field.most);
    case 'choice':
      return z.literal(field.choices as readonly [string | number, ...(string | number)[]]);
    case 'id':
      return id;
    case 'place':
      return z.array(z.number()).min(2).max(3);
    case 'scalar':
      return z.union([z.string().max(field.most), z.number(), z.boolean(), z.null()]);
    case 'list':
      return z.array(schemaOf(field.of)).min(field.least).max(field.most);
    case 'pair':
      return z.tuple([schemaOf(field.of), schemaOf(field.of)]);
    case 'record':
      return field.keys.type === 'id'
        ? z.record(id, schemaOf(field.of))
        : z.partialRecord(z.enum(field.keys.choices as readonly [string, ...string[]]), schemaOf(field.of));
    case 'object':
      return objectOf(field.fields);
    case 'optional':
      return schemaOf(field.of).optional();
    case 'nullable':
      return schemaOf(field.of).nullable();
    case 'either':
      return z.union([schemaOf(field.of[0]), schemaOf(field.of[1])]);
    case 'union': {
      const members = Object.values(field.members).map(({ fields }) => objectOf(fields));
      return z.discriminatedUnion(field.tag, members as unknown as [z.ZodObject, ...z.ZodObject[]]);
    }
    case 'tree':
      return z.lazy(() => schemaOf(field.of()));
  }
}

/** Ids are made by the application; one that is the name of every object's prototype would be lost as a key. */
const id = z
  .string()
  .min(1)
  .max(64)
  .refine((text) => text !== '__proto__', { message: 'this id can’t be used' });

function objectOf(fields: Readonly<Record<string, Field>>): z.ZodObject {
  return z.strictObject(
    Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, schemaOf(field)])),
  );
}
