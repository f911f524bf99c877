import type { Curve, Point } from '../../curve/curve.js';
import type { Deviation } from '../../curve/deviation.js';
import {
  itemId,
  list,
  tagged,
  type ChoiceField,
  type Field,
  type IdField,
  type ListField,
  type ObjectField,
  type ValueOf,
} from '../../describe/describe.js';
import type { CalculationLine } from '../calculation/calculation.js';
import type { ItemHandle } from '../part/handle.js';
import { curvesOf, pointsOf, type Geometry, type GeometryKind } from '../part/geometry.js';
import { figureLimits } from '../part/parts.js';

/** What an operation comes to. */
export interface OperationResult {
  readonly curve: Curve;
  /** For operations that change the shape: how far the result lies from the source. Absent where it is exact. */
  readonly deviation?: Deviation;
  /** What of the source is not in the result: the other side of a curve that is made symmetric. */
  readonly goes?: readonly Curve[];
  /** Another number that the operation measures: what is left uneven, how far the farthest point moved. */
  readonly measure?: { readonly kind: 'unevenness' | 'largestMove'; readonly value: number };
}

/**
 * What an operation does to the shape of its source: keeps it exactly, comes as near as it can, or makes another
 * one on purpose, of which no deviation is asked.
 */
type ShapeEffect = 'kept' | 'near' | 'another';

/** What one wants when one asks for an operation: a list of them is grouped by it. */
export type Aim = 'freedom' | 'cost' | 'apart' | 'together' | 'parameter' | 'kind';
export const aims: readonly Aim[] = ['freedom', 'cost', 'apart', 'together', 'parameter', 'kind'];

export const oneCurve = { source: itemId } as const;
export const twoCurves = { source: itemId, second: itemId } as const;
/** Reference points, in the order in which the curve takes them. */
export const referencePoints: { readonly points: ListField<IdField> } = {
  points: list(itemId, figureLimits.items, 1),
};

type Fields = Readonly<Record<string, Field>>;
type ArgumentsOf<Arguments extends Fields> = ValueOf<ObjectField<Arguments>>;

/** A member of the registry of operations: everything about it that is no interface. */
export interface OperationMember<
  Name extends string = string,
  Sources extends Fields = Fields,
  Arguments extends Fields = Fields,
  Asks = never,
  First = unknown,
> {
  readonly name: Name;
  /** The whole operation: its name, the ids of its sources and its arguments. */
  readonly description: ObjectField<{ readonly name: ChoiceField<Name> } & Sources & Arguments>;
  readonly arguments: Arguments;
  readonly sources: Sources;
  /** The kind of geometry that every one of its sources has to come to; others are refused, and it is offered on none. */
  readonly takes: GeometryKind;
  readonly shape: ShapeEffect;
  /** Absent where it is not offered on a curve. */
  readonly aim?: Aim;
  /** The arguments that a form asks for, in this order. */
  readonly asks: readonly Asks[];
  /** Which of them count with the values as they are; all where absent. */
  readonly counts?: (args: ArgumentsOf<Arguments>) => readonly Asks[];
  /** The whole number of which some values are shown beside each other. */
  readonly compares?: Asks;
  /** Whether the result stands beside its sources and takes the place of none of them. */
  readonly beside?: true;
  /** Whether it can do with weights of zero and below; others refuse them. */
  readonly signedWeights?: true;
  /** What the result can be taken hold of by while it follows its sources. */
  readonly handles?: OperationHandles<ArgumentsOf<Arguments>>;
  /** What a form holds at first for a curve with the cursor at a parameter; absent where it is not offered on a curve. */
  readonly first: First;
  readonly run: (sources: readonly Geometry[], args: ArgumentsOf<Arguments>) => OperationResult;
  /**
   * How the result comes about, line by line with its numbers, where it can be unfolded. It is fetched when it is asked
   * for, since most who have the operation never ask.
   */
  readonly calculation?: (
    sources: readonly Geometry[],
    args: ArgumentsOf<Arguments>,
  ) => Promise<readonly CalculationLine[]>;
}

/** Places by which the arguments of a linked curve are pulled. */
export interface OperationHandles<Args> {
  readonly at: (sources: readonly Geometry[], args: Args) => ItemHandle[];
  /** The arguments with a handle as near to a place as they allow. */
  readonly move: (sources: readonly Geometry[], args: Args, key: string, to: Point) => Args;
}

type FirstArguments<Arguments extends Fields> = (curve: Curve, cursor: number) => ArgumentsOf<Arguments>;

interface OnCurves<Name, Sources, Arguments extends Fields> {
  readonly name: Name;
  readonly sources: Sources;
  readonly arguments: Arguments;
  readonly shape: ShapeEffect;
  readonly signedWeights?: true;
  readonly run: (curve: Curve, args: ArgumentsOf<Arguments>, second: Curve) => OperationResult | Curve;
  readonly calculation?: (
    curve: Curve,
    args: ArgumentsOf<Arguments>,
    second: Curve,
  ) => Promise<readonly CalculationLine[]>;
}

function member<const Name extends string, const Sources extends Fields, const Arguments extends Fields>({
  run,
  calculation,
  ...spec
}: OnCurves<Name, Sources, Arguments>) {
  return {
    ...spec,
    ...(calculation
      ? {
          calculation: (sources: readonly Geometry[], args: ArgumentsOf<Arguments>) => {
            const [first, second] = curvesOf(sources);
            return calculation(first!, args, second ?? first!);
          },
        }
      : {}),
    description: tagged('name', spec.name, { ...spec.sources, ...spec.arguments }) as unknown as ObjectField<
      { readonly name: ChoiceField<Name> } & Sources & Arguments
    >,
    takes: 'curve' as const,
    run: (sources: readonly Geometry[], args: ArgumentsOf<Arguments>): OperationResult => {
      const [first, second] = curvesOf(sources);
      const result = run(first!, args, second ?? first!);
      return 'curve' in result ? result : { curve: result };
    },
  };
}

/** An operation on one curve or two that a form asks for. */
export function onCurves<
  const Name extends string,
  const Sources extends Fields,
  const Arguments extends Fields,
  const Asks extends keyof Arguments,
>({
  aim,
  asks,
  counts,
  compares,
  beside,
  handles,
  first,
  ...spec
}: OnCurves<Name, Sources, Arguments> & {
  readonly aim: Aim;
  readonly asks: readonly Asks[];
  readonly counts?: (args: ArgumentsOf<Arguments>) => readonly NoInfer<Asks>[];
  readonly compares?: NoInfer<Asks>;
  readonly beside?: true;
  readonly handles?: OperationHandles<ArgumentsOf<Arguments>>;
  readonly first: FirstArguments<Arguments>;
}): OperationMember<Name, Sources, Arguments, Asks, FirstArguments<Arguments>> {
  return {
    ...member(spec),
    aim,
    asks,
    ...(counts && { counts }),
    ...(compares && { compares }),
    ...(beside && { beside }),
    ...(handles && { handles }),
    first,
  };
}

/** An operation on a curve that comes about otherwise than by a form. */
export function notAsked<
  const Name extends string,
  const Sources extends Fields,
  const Arguments extends Fields,
>(spec: OnCurves<Name, Sources, Arguments>): OperationMember<Name, Sources, Arguments, never, undefined> {
  return { ...member(spec), asks: [], first: undefined };
}

/** An operation on reference points; it comes about by drawing on them. */
export function onReferencePoints<const Name extends string, const Arguments extends Fields>({
  run,
  ...spec
}: {
  readonly name: Name;
  readonly arguments: Arguments;
  readonly run: (points: readonly Point[], args: ArgumentsOf<Arguments>) => Curve;
}): OperationMember<Name, typeof referencePoints, Arguments, never, undefined> {
  return {
    ...spec,
    sources: referencePoints,
    description: tagged('name', spec.name, { ...referencePoints, ...spec.arguments }) as never,
    takes: 'point',
    shape: 'another',
    asks: [],
    first: undefined,
    run: (sources, args) => ({ curve: run(pointsOf(sources), args) }),
  };
}
