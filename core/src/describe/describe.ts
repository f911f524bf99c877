/**
 * Neutral descriptions of plain data: what a value holds, within which limits, in which unit, and which of its
 * texts are ids. A kind of thing (an operation, a shape, a condition, a command) describes its arguments once;
 * its type, the schema that checks it at the door, the form that asks for it, and the way in which ids in it are
 * found and exchanged all follow from that.
 */
declare const described: unique symbol;

interface Typed<Value> {
  /** Never there at run time; it carries the type. */
  readonly [described]?: Value;
}

/** What a number counts in; it decides how it is shown and read. */
type Unit = 'length' | 'curvature' | 'degrees' | 'parameter' | 'ratio';

export interface NumberField extends Typed<number> {
  readonly type: 'number';
  readonly least?: number;
  readonly most?: number;
  /** It is more than this, and less than that. */
  readonly above?: number;
  readonly below?: number;
  readonly unit?: Unit;
  /** A form gives what is on the figure's cursor, or a choice of the knots inside or of the corners, instead of a bare number. */
  readonly from?: 'cursor' | 'knots' | 'corners';
}
export interface WholeField extends Typed<number> {
  readonly type: 'whole';
  readonly least: number;
  readonly most: number;
  /** It is the degree of a curve, which some write as its order; or an index, which some count from 1. */
  readonly is?: 'degree' | 'index';
}
export interface FlagField extends Typed<boolean> {
  readonly type: 'flag';
}
/** Only `true` is ever written; what is not so leaves the key out. */
export interface TrueField extends Typed<true> {
  readonly type: 'true';
}
export interface TextField extends Typed<string> {
  readonly type: 'text';
  readonly least: number;
  readonly most: number;
  readonly uuid?: true;
}
export interface ChoiceField<Choice extends string | number> extends Typed<Choice> {
  readonly type: 'choice';
  readonly choices: readonly Choice[];
  /** The choices are signs of the field (C1, G2, 0) that every language writes alike. */
  readonly signs?: true;
  /** They are operations, which have names of their own. */
  readonly of?: 'operation';
}
/** The id of an item or a sheet. */
export interface IdField extends Typed<string> {
  readonly type: 'id';
  readonly of: 'item' | 'sheet';
  /** Whether this names the thing itself instead of referring to one that is there. */
  readonly own?: true;
}
/** Two or three coordinates. */
export interface PlaceField extends Typed<readonly number[]> {
  readonly type: 'place';
  readonly unit: 'length';
}
export interface ListField<Of extends Field> extends Typed<readonly ValueOf<Of>[]> {
  readonly type: 'list';
  readonly of: Of;
  readonly least: number;
  readonly most: number;
}
export interface PairField<Of extends Field> extends Typed<readonly [ValueOf<Of>, ValueOf<Of>]> {
  readonly type: 'pair';
  readonly of: Of;
  /** Two places that mean the line through them. */
  readonly line?: true;
}
/** Values by key: keys are ids, or words of a list of which not all need be there. */
export interface RecordField<Key extends string, Of extends Field> extends Typed<
  Readonly<Partial<Record<Key, ValueOf<Of>>>>
> {
  readonly type: 'record';
  readonly keys: IdField | ChoiceField<Key>;
  readonly of: Of;
}
export interface ObjectField<Fields extends Readonly<Record<string, Field>>> extends Typed<ObjectOf<Fields>> {
  readonly type: 'object';
  readonly fields: Fields;
}
export interface OptionalField<Of extends Field> extends Typed<ValueOf<Of> | undefined> {
  readonly type: 'optional';
  readonly of: Of;
}
export interface NullableField<Of extends Field> extends Typed<ValueOf<Of> | null> {
  readonly type: 'nullable';
  readonly of: Of;
}
/** One of several objects, told apart by the word under `tag`. */
export interface UnionField<Value> extends Typed<Value> {
  readonly type: 'union';
  readonly tag: string;
  readonly members: Readonly<Record<string, ObjectField<Readonly<Record<string, Field>>>>>;
}
/** One of two that can be told apart by their form: a word or an object. */
export interface EitherField<A extends Field, B extends Field> extends Typed<ValueOf<A> | ValueOf<B>> {
  readonly type: 'either';
  readonly of: readonly [A, B];
}
/** Any of the scalars that an attribute of rich text may hold. */
export interface ScalarField extends Typed<string | number | boolean | null> {
  readonly type: 'scalar';
  readonly most: number;
}
/** Rich text is a tree of nodes; its structure is checked by its own schema, not here. */
export interface TreeField<Value> extends Typed<Value> {
  readonly type: 'tree';
  readonly of: () => Field;
}

export type Field =
  | NumberField
  | WholeField
  | FlagField
  | TrueField
  | TextField
  | ChoiceField<string>
  | ChoiceField<number>
  | IdField
  | PlaceField
  | ScalarField
  | (Typed<unknown> & {
      readonly type: 'list';
      readonly of: Field;
      readonly least: number;
      readonly most: number;
    })
  | (Typed<unknown> & { readonly type: 'pair'; readonly of: Field; readonly line?: true })
  | (Typed<unknown> & {
      readonly type: 'record';
      readonly keys: IdField | ChoiceField<string>;
      readonly of: Field;
    })
  | (Typed<unknown> & { readonly type: 'object'; readonly fields: Readonly<Record<string, Field>> })
  | (Typed<unknown> & { readonly type: 'optional'; readonly of: Field })
  | (Typed<unknown> & { readonly type: 'nullable'; readonly of: Field })
  | (Typed<unknown> & { readonly type: 'either'; readonly of: readonly [Field, Field] })
  | UnionField<unknown>
  | TreeField<unknown>;

/** The type of the values that a description describes. */
export type ValueOf<F> = F extends Typed<infer Value> ? Value : never;

type OptionalKeys<Fields> = {
  [Key in keyof Fields]: Fields[Key] extends { readonly type: 'optional' } ? Key : never;
}[keyof Fields];

type Flat<T> = { readonly [Key in keyof T]: T[Key] };

type ObjectOf<Fields> = Flat<
  { readonly [Key in Exclude<keyof Fields, OptionalKeys<Fields>>]: ValueOf<Fields[Key]> } & {
    readonly [Key in OptionalKeys<Fields>]?: Exclude<ValueOf<Fields[Key]>, undefined>;
  }
>;

export const number = (limits: Omit<NumberField, 'type'> = {}): NumberField => ({
  type: 'number',
  ...limits,
});
export const whole = (least: number, most: number): WholeField => ({ type: 'whole', least, most });
export const flag: FlagField = { type: 'flag' };
export const onlyTrue: TrueField = { type: 'true' };
export const text = (least: number, most: number): TextField => ({ type: 'text', least, most });
export const uuid: TextField = { type: 'text', least: 36, most: 36, uuid: true };
export const choice = <const Choice extends string | number>(
  ...choices: readonly Choice[]
): ChoiceField<Choice> => ({
  type: 'choice',
  choices,
});
export const signs = <const Choice extends string | number>(
  ...choices: readonly Choice[]
): ChoiceField<Choice> & { readonly signs: true } => ({
  type: 'choice',
  choices,
  signs: true,
});
/** The id of an item that is there. */
export const itemId: IdField = { type: 'id', of: 'item' };
/** The id by which an item is called. */
export const ownItemId: IdField = { type: 'id', of: 'item', own: true };
export const sheetId: IdField = { type: 'id', of: 'sheet' };
export const ownSheetId: IdField = { type: 'id', of: 'sheet', own: true };
export const place: PlaceField = { type: 'place', unit: 'length' };
export const list = <Of extends Field>(of: Of, most: number, least = 0): ListField<Of> => ({
  type: 'list',
  of,
  least,
  most,
});
export const pair = <Of extends Field>(of: Of): PairField<Of> => ({ type: 'pair', of });
/** The line through two places. */
export const line: PairField<PlaceField> = { type: 'pair', of: place, line: true };
export const record = <Key extends string, Of extends Field>(
  keys: ChoiceField<Key> | (IdField & Typed<Key>),
  of: Of,
): RecordField<Key, Of> => ({ type: 'record', keys, of });
export const object = <const Fields extends Readonly<Record<string, Field>>>(
  fields: Fields,
): ObjectField<Fields> => ({ type: 'object', fields });
export const optional = <Of extends Field>(of: Of): OptionalField<Of> => ({ type: 'optional', of });
export const nullable = <Of extends Field>(of: Of): NullableField<Of> => ({ type: 'nullable', of });
export const either = <A extends Field, B extends Field>(a: A, b: B): EitherField<A, B> => ({
  type: 'either',
  of: [a, b],
});
export const scalar = (most: number): ScalarField => ({ type: 'scalar', most });
export const tree = <Value>(of: () => Field): TreeField<Value> => ({ type: 'tree', of });

/** The word that tells one member of a union from the others. */
const word = <const Word extends string>(name: Word): ChoiceField<Word> => ({
  type: 'choice',
  choices: [name],
});

/** An object that is told apart from others of its kind by a word under `tag`. */
export function tagged<
  const Tag extends string,
  const Name extends string,
  const Fields extends Readonly<Record<string, Field>>,
>(tag: Tag, name: Name, fields: Fields): ObjectField<{ readonly [Key in Tag]: ChoiceField<Name> } & Fields> {
  return { type: 'object', fields: { [tag]: word(name), ...fields } as never };
}

interface Described {
  readonly description: Field;
}

/** One of the members of a registry, each an object that is told apart by the word under `tag`. */
export function unionOf<const Members extends Readonly<Record<string, Described>>>(
  tag: string,
  members: Members,
): UnionField<ValueOf<Members[keyof Members]['description']>> {
  const descriptions = Object.entries(members).map(([name, { description }]) => [name, description]);
  return { type: 'union', tag, members: Object.fromEntries(descriptions) as never };
}

/** An object all of whose fields may be left out. */
export function partial<Fields extends Readonly<Record<string, Field>>>(
  of: ObjectField<Fields>,
): ObjectField<{ readonly [Key in keyof Fields]: OptionalField<Bare<Fields[Key]>> }> {
  const fields = Object.fromEntries(
    Object.entries(of.fields).map(([key, field]) => [
      key,
      field.type === 'optional' ? field : optional(field),
    ]),
  );
  return { type: 'object', fields: fields as never };
}

type Bare<F> = F extends OptionalField<infer Of> ? Of : F extends Field ? F : never;
