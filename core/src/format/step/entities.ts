import { told } from '../../told/told.js';
import { atLine, FormatError } from '../define.js';
import { formatLimits } from '../limits.js';
import type { StepFile, StepInstance, StepRecord, StepValue } from './parse.js';

/** How often one instance may lead on to another before that counts as a circle. */
const longestChain = formatLimits.depth;

/**
 * The instances of a file, read attribute by attribute as the standard's schemas order them. Whatever is not as it should be
 * is told with the line of the instance.
 */
export class Entities {
  constructor(private readonly file: StepFile) {}

  get all(): Iterable<StepInstance> {
    return this.file.instances.values();
  }

  instance(id: number, by: StepInstance): StepInstance {
    const found = this.file.instances.get(id);
    if (!found) throw atLine(by.line, told('fileRefersToNothing', { of: `#${by.id}`, id: `#${id}` }));
    return found;
  }

  /** The record of a type that an instance has, by itself or among others. */
  record(of: StepInstance, name: string): StepRecord | undefined {
    return of.records.find((record) => record.name === name);
  }

  has(of: StepInstance, name: string): boolean {
    return this.record(of, name) !== undefined;
  }

  /** The attributes of a record, which have to be so many. */
  attributes(of: StepInstance, name: string, count: number): Attributes {
    const record = this.record(of, name);
    if (!record) throw this.wrong(of, told('fileSign', { wanted: name, found: of.records[0]!.name }));
    if (record.values.length !== count)
      throw this.wrong(of, told('fileValueCount', { count: record.values.length, wanted: count }));
    return new Attributes(this, of, record.values);
  }

  wrong(of: StepInstance, reason: ReturnType<typeof told>): FormatError {
    return atLine(of.line, told('fileEntity', { of: `#${of.id}`, reason }));
  }

  /** @throws FormatError where a chain of references is so long that it can only be a circle */
  deeper(depth: number, of: StepInstance): number {
    if (depth >= longestChain) throw atLine(of.line, told('fileRefersInCircle', { of: `#${of.id}` }));
    return depth + 1;
  }
}

/** The attributes of one record, each asked for by its place. */
export class Attributes {
  constructor(
    private readonly entities: Entities,
    private readonly of: StepInstance,
    private readonly values: readonly StepValue[],
  ) {}

  private refuse(index: number, wanted: string): never {
    throw this.entities.wrong(this.of, told('fileValueKind', { index: index + 1, wanted }));
  }

  any(index: number): StepValue {
    return this.values[index]!;
  }

  isUnset(index: number): boolean {
    return this.any(index).kind === 'unset';
  }

  text(index: number): string {
    const value = this.any(index);
    return value.kind === 'text' ? value.value : this.refuse(index, 'a text');
  }

  /** A text that may be left open. */
  textOrNothing(index: number): string {
    return this.any(index).kind === 'unset' ? '' : this.text(index);
  }

  whole(index: number): number {
    const value = this.any(index);
    return value.kind === 'whole' ? value.value : this.refuse(index, 'a whole number');
  }

  real(index: number): number {
    return realOf(this.any(index)) ?? this.refuse(index, 'a number with a point');
  }

  word<const Word extends string>(index: number, words: readonly Word[]): Word {
    const value = this.any(index);
    if (value.kind === 'word' && (words as readonly string[]).includes(value.value))
      return value.value as Word;
    return this.refuse(index, words.map((word) => `.${word}.`).join(' or '));
  }

  /** A truth value; `unknown` where the schema lets it be so. */
  logical(index: number): boolean | undefined {
    const word = this.word(index, ['T', 'F', 'U']);
    return word === 'U' ? undefined : word === 'T';
  }

  boolean(index: number): boolean {
    return this.word(index, ['T', 'F']) === 'T';
  }

  instance(index: number): StepInstance {
    const value = this.any(index);
    return value.kind === 'reference'
      ? this.entities.instance(value.id, this.of)
      : this.refuse(index, 'a reference');
  }

  instances(index: number): StepInstance[] {
    return this.list(index, (value) =>
      value.kind === 'reference' ? this.entities.instance(value.id, this.of) : undefined,
    );
  }

  reals(index: number): number[] {
    return this.list(index, realOf, 'numbers with a point');
  }

  wholes(index: number): number[] {
    return this.list(index, (value) => (value.kind === 'whole' ? value.value : undefined), 'whole numbers');
  }

  /** The raw values of a list, for what may be of several kinds. */
  raw(index: number): readonly StepValue[] {
    const value = this.any(index);
    return value.kind === 'list' ? value.values : this.refuse(index, 'a list');
  }

  private list<T>(index: number, of: (value: StepValue) => T | undefined, wanted = 'references'): T[] {
    return this.raw(index).map((value) => of(value) ?? this.refuse(index, `a list of ${wanted}`));
  }
}

export const realOf = (value: StepValue): number | undefined =>
  value.kind === 'real' ? value.value : undefined;
