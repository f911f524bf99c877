import type { NodeKind } from '../../curve/bezierChain.js';
import type { Curve, Point } from '../../curve/curve.js';
import {
  tagged,
  type ChoiceField,
  type Field,
  type ObjectField,
  type ValueOf,
} from '../../describe/describe.js';
import type { ItemHandle } from '../part/handle.js';

type Fields = Readonly<Record<string, Field>>;
type ShapeOf<Kind extends string, Arguments extends Fields> = ValueOf<
  ObjectField<{ readonly kind: ChoiceField<Kind> } & Arguments>
>;

/** What a kind of shape is made of, besides its description. */
interface Behaviour<Shape> {
  /** @throws CurveError where its parameters do not make a curve; the sentence is the reason to show */
  readonly curve: (shape: Shape) => Curve;
  /** The places by which it can be taken hold of, in the order in which Tab finds them. */
  readonly handles: (shape: Shape) => ItemHandle[];
  /** The shape with one of its handles elsewhere; what hangs on it follows. */
  readonly moveHandle: (shape: Shape, key: string, to: Point) => Shape;
  /** Whether it runs round and back, whatever its curve says of its ends. */
  readonly closed: (shape: Shape) => boolean;
  /**
   * What else follows where all its handles were moved by a map of the plane.
   * @param moved the shape after its handles were moved one by one
   */
  readonly mapAll?: (shape: Shape, moved: Shape, to: (place: Point) => Point) => Shape;
}

/** A place that was set, with the handle that was pulled out of it, if any. */
export interface SetPlace {
  readonly at: Point;
  readonly pulled?: Point;
  /** What the node is, where it was not the last choice. */
  readonly kind?: NodeKind;
}

type ChosenOf<Options extends Fields> = ValueOf<ObjectField<Options>>;

/** How something is drawn: places are set one after another, and what they do not give is chosen beside. */
export interface Drawn<Made, Options = Fields, Chosen = Readonly<Record<string, unknown>>> {
  /** How many places it needs. */
  readonly least: number | ((chosen: Chosen) => number);
  /** How many it can take; when they are set it is done. */
  readonly most: number;
  readonly options: Options;
  readonly first: Chosen;
  /** @param places in the order in which they were set, as many as it needs or more */
  readonly make: (places: readonly SetPlace[], chosen: Chosen) => Made;
  /** How it can close where the last place is the first: smoothly all round, or with a corner. */
  readonly closes?: 'smooth' | 'corner';
  /** Whether a mirror image can be drawn along. */
  readonly mirrors?: true;
  /** Whether the places are seen as a polygon meanwhile. */
  readonly polygon?: true;
  /** Whether handles are pulled while places are set. */
  readonly pulls?: true;
  /** Whether it is drawn in one stroke with the pointer down. */
  readonly freehand?: true;
  /** Another shape on the same places: one tool draws both, and asks by which it is given. */
  readonly as?: string;
}

export interface ShapeMember<
  Kind extends string = string,
  Arguments extends Fields = Fields,
> extends Behaviour<ShapeOf<Kind, Arguments>> {
  readonly kind: Kind;
  readonly description: ObjectField<{ readonly kind: ChoiceField<Kind> } & Arguments>;
  readonly drawn: Drawn<ShapeOf<Kind, Arguments>>;
}

/** A kind of shape: a curve given by parameters of its own, which it keeps so that they can be changed later. */
export function defineShape<
  const Kind extends string,
  const Arguments extends Fields,
  const Options extends Fields,
>(
  kind: Kind,
  fields: Arguments,
  drawn: Drawn<Omit<ShapeOf<Kind, Arguments>, 'kind'>, Options, ChosenOf<Options>>,
  behaviour: Behaviour<ShapeOf<Kind, Arguments>>,
): ShapeMember<Kind, Arguments> {
  const make = (places: readonly SetPlace[], chosen: ChosenOf<Options>) => ({
    kind,
    ...drawn.make(places, chosen),
  });
  return {
    ...behaviour,
    kind,
    description: tagged('kind', kind, fields) as never,
    drawn: { ...drawn, make } as never,
  };
}

/** Drawn by so many places and nothing else. */
export const byPlaces = <Made>(
  count: number,
  make: (...places: Point[]) => Made,
): Drawn<Made, Record<never, never>, object> => ({
  least: count,
  most: count,
  options: {},
  first: {},
  make: (places) => make(...places.map(({ at }) => at)),
});
