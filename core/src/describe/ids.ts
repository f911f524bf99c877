import type { Field } from './describe.js';

type OnId = (id: string, of: 'item' | 'sheet', own: boolean) => string;

/**
 * Walks over a value as its description says and puts what `onId` gives in the place of every id. What holds
 * none stays the same object.
 */
function walk(field: Field, value: unknown, onId: OnId): unknown {
  switch (field.type) {
    case 'id':
      return onId(value as string, field.of, field.own === true);
    case 'list':
    case 'pair': {
      const list = value as readonly unknown[];
      const next = list.map((part) => walk(field.of, part, onId));
      return next.every((part, index) => part === list[index]) ? value : next;
    }
    case 'optional':
    case 'nullable':
      return value === undefined || value === null ? value : walk(field.of, value, onId);
    case 'either':
      return walk(field.of[typeof value === 'object' ? 1 : 0], value, onId);
    case 'object': {
      const object = value as Readonly<Record<string, unknown>>;
      let next = object;
      for (const [key, part] of Object.entries(field.fields)) {
        if (!Object.hasOwn(object, key)) continue;
        const walked = walk(part, object[key], onId);
        if (walked !== object[key]) next = { ...next, [key]: walked };
      }
      return next;
    }
    case 'record': {
      const entries = Object.entries(value as Readonly<Record<string, unknown>>);
      const next = entries.map(([key, part]) => [
        field.keys.type === 'id' ? walk(field.keys, key, onId) : key,
        walk(field.of, part, onId),
      ]);
      const same = next.every(
        ([key, part], index) => key === entries[index]![0] && part === entries[index]![1],
      );
      return same ? value : Object.fromEntries(next as [string, unknown][]);
    }
    case 'union': {
      const name = (value as Readonly<Record<string, unknown>>)[field.tag] as string;
      return walk(field.members[name]!, value, onId);
    }
    case 'number':
    case 'whole':
    case 'flag':
    case 'true':
    case 'text':
    case 'choice':
    case 'place':
    case 'scalar':
    case 'tree':
      return value;
  }
}

/** The ids of things that a value refers to, in the order in which they stand; a thing's own id is none. */
export function referencesIn(field: Field, value: unknown, of: 'item' | 'sheet' = 'item'): string[] {
  const found: string[] = [];
  walk(field, value, (id, kind, own) => {
    if (kind === of && !own) found.push(id);
    return id;
  });
  return found;
}

/** A value with ids exchanged, own ones and those referred to; ids that the map does not have stay. */
export function withIds<Value>(
  field: Field,
  value: Value,
  ids: ReadonlyMap<string, string>,
  of: 'item' | 'sheet' = 'item',
): Value {
  return walk(field, value, (id, kind) => (kind === of ? (ids.get(id) ?? id) : id)) as Value;
}
