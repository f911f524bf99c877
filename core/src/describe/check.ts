import type { Field } from './describe.js';

/** Where a value is not as its description says, as a path such as items.0.curve.knots, and what it should be. */
export interface Mismatch {
  readonly path: string;
  readonly wanted: string;
}

/** How deep values may lie in each other. */
const deepest = 200;

/**
 * Checks plain data against its description.
 * @returns the first place where they part; nothing where they agree
 */
export function mismatchOf(field: Field, value: unknown, path = '', depth = 0): Mismatch | undefined {
  const not = (wanted: string): Mismatch => ({ path: path || 'the whole', wanted });
  if (depth > deepest) return not('less deep');
  const below = (key: string | number): string => (path ? `${path}.${key}` : String(key));
  const each = (of: Field, values: readonly unknown[]): Mismatch | undefined => {
    for (const [k, one] of values.entries()) {
      const found = mismatchOf(of, one, below(k), depth + 1);
      if (found) return found;
    }
    return undefined;
  };
  switch (field.type) {
    case 'number':
      return typeof value === 'number' && Number.isFinite(value) && isWithin(field, value)
        ? undefined
        : not(rangeOf(field));
    case 'whole':
      return Number.isInteger(value) && (value as number) >= field.least && (value as number) <= field.most
        ? undefined
        : not(`a whole number from ${field.least} to ${field.most}`);
    case 'flag':
      return typeof value === 'boolean' ? undefined : not('true or false');
    case 'true':
      return value === true ? undefined : not('true');
    case 'text':
      return typeof value === 'string' && value.length >= field.least && value.length <= field.most
        ? undefined
        : not(`a text of at most ${field.most} signs`);
    case 'choice':
      return (field.choices as readonly unknown[]).includes(value)
        ? undefined
        : not(`one of ${field.choices.join(', ')}`);
    case 'id':
      return typeof value === 'string' && value.length >= 1 && value.length <= 64 && value !== '__proto__'
        ? undefined
        : not('an id');
    case 'place':
      return Array.isArray(value) &&
        (value.length === 2 || value.length === 3) &&
        value.every(Number.isFinite)
        ? undefined
        : not('two or three coordinates');
    case 'scalar':
      return value === null || (typeof value === 'string' ? value.length <= field.most : isPlain(value))
        ? undefined
        : not('a text or a number');
    case 'list':
      if (!Array.isArray(value) || value.length < field.least || value.length > field.most)
        return not(`a list of ${field.least} to ${field.most}`);
      return each(field.of, value);
    case 'pair':
      return Array.isArray(value) && value.length === 2 ? each(field.of, value) : not('a pair');
    case 'optional':
      return value === undefined ? undefined : mismatchOf(field.of, value, path, depth);
    case 'nullable':
      return value === null ? undefined : mismatchOf(field.of, value, path, depth);
    case 'either':
      return field.of.some((one) => !mismatchOf(one, value, path, depth + 1))
        ? undefined
        : mismatchOf(field.of[typeof value === 'object' ? 1 : 0], value, path, depth + 1);
    case 'record':
      if (!isObject(value)) return not('an object');
      for (const [key, one] of Object.entries(value)) {
        const found =
          mismatchOf(field.keys as Field, key, below(key), depth + 1) ??
          mismatchOf(field.of, one, below(key), depth + 1);
        if (found) return found;
      }
      return undefined;
    case 'object':
      return mismatchOfObject(field.fields, value, path, depth);
    case 'union': {
      if (!isObject(value)) return not('an object');
      const tag = String(value[field.tag]);
      return Object.hasOwn(field.members, tag)
        ? mismatchOfObject(field.members[tag]!.fields, value, path, depth)
        : { path: below(field.tag), wanted: `one of ${Object.keys(field.members).join(', ')}` };
    }
    case 'tree':
      return mismatchOf(field.of(), value, path, depth + 1);
  }
}

/** The first list in a value that is longer than its description lets it be. */
export function overfullList(field: Field, value: unknown): { count: number; most: number } | undefined {
  if (field.type === 'list' && Array.isArray(value) && value.length > field.most)
    return { count: value.length, most: field.most };
  if (field.type !== 'object' || !isObject(value)) return undefined;
  for (const [key, inner] of Object.entries(field.fields)) {
    const found = overfullList(inner, value[key]);
    if (found) return found;
  }
  return undefined;
}

function mismatchOfObject(
  fields: Readonly<Record<string, Field>>,
  value: unknown,
  path: string,
  depth: number,
): Mismatch | undefined {
  if (!isObject(value)) return { path: path || 'the whole', wanted: 'an object' };
  const below = (key: string): string => (path ? `${path}.${key}` : key);
  for (const key of Object.keys(value))
    if (!Object.hasOwn(fields, key)) return { path: below(key), wanted: 'nothing: this is not known' };
  for (const [key, field] of Object.entries(fields)) {
    const found = mismatchOf(
      field,
      Object.hasOwn(value, key) ? value[key] : undefined,
      below(key),
      depth + 1,
    );
    if (found) return found;
  }
  return undefined;
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isPlain = (value: unknown): boolean =>
  typeof value === 'boolean' || (typeof value === 'number' && Number.isFinite(value));

type Range = Extract<Field, { readonly type: 'number' }>;
const isWithin = ({ least, most, above, below }: Range, value: number): boolean =>
  (least === undefined || value >= least) &&
  (most === undefined || value <= most) &&
  (above === undefined || value > above) &&
  (below === undefined || value < below);
function rangeOf({ least, most, above, below }: Range): string {
  const limits = [
    least === undefined ? '' : `from ${least}`,
    above === undefined ? '' : `above ${above}`,
    most === undefined ? '' : `to ${most}`,
    below === undefined ? '' : `below ${below}`,
  ].filter((limit) => limit !== '');
  return ['a number', ...limits].join(' ');
}
