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

export interface ShapeMember<
  Kind extends string = string,
  Arguments extends Fields = Fields,
> extends Behaviour<ShapeOf<Kind, Arguments>> {
  readonly kind: Kind;
  readonly description: ObjectField<{ readonly kind: ChoiceField<Kind> } & Arguments>;
}

/** A kind of shape: a curve given by parameters of its own, which it keeps so that they can be changed later. */
export function defineShape<const Kind extends string, const Arguments extends Fields>(
  kind: Kind,
  fields: Arguments,
  behaviour: Behaviour<ShapeOf<Kind, Arguments>>,
): ShapeMember<Kind, Arguments> {
  return { ...behaviour, kind, description: tagged('kind', kind, fields) as never };
}
