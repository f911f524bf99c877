import type { Curve, Point } from '../../curve/curve.js';
import { unionOf, type ValueOf } from '../../describe/describe.js';
import { arcBulge } from './arcBulge.js';
import { arcRadius } from './arcRadius.js';
import { arcThrough } from './arcThrough.js';
import { chain } from './chain.js';
import { circle } from './circle.js';
import { conic } from './conic.js';
import type { ItemHandle } from '../part/handle.js';
import type { Drawn, ShapeMember } from './define.js';
import { ellipse } from './ellipse.js';
import { polygon } from './polygon.js';
import { rectangle } from './rectangle.js';
import { stroke } from './stroke.js';
import { through } from './through.js';

/**
 * Every kind of shape, in the order in which they are offered to be drawn. A new one is a file beside these and a line
 * here.
 */
export const shapes = {
  through,
  chain,
  stroke,
  arcThrough,
  arcRadius,
  arcBulge,
  circle,
  ellipse,
  rectangle,
  polygon,
  conic,
};

export type Shapes = typeof shapes;
export type ShapeKind = keyof Shapes;

/** A curve that is given by parameters of its own kind rather than by degree, knots and points. */
export type Shape = ValueOf<Shapes[ShapeKind]['description']>;

/** One kind of shape. */
export type ShapeOf<Kind extends ShapeKind> = ValueOf<Shapes[Kind]['description']>;

export const shapeDescription = unionOf('kind', shapes);

type AnyShape = Omit<ShapeMember, 'curve' | 'handles' | 'moveHandle' | 'closed' | 'mapAll' | 'drawn'> & {
  readonly curve: (shape: Shape) => Curve;
  readonly handles: (shape: Shape) => ItemHandle[];
  readonly moveHandle: (shape: Shape, key: string, to: Point) => Shape;
  readonly closed: (shape: Shape) => boolean;
  readonly mapAll?: (shape: Shape, moved: Shape, to: (place: Point) => Point) => Shape;
};

export const shapeKinds = Object.keys(shapes) as readonly ShapeKind[];

/** How a kind of shape is drawn; what is chosen beside fits its options. */
export const drawnOf = (kind: ShapeKind): Drawn<Shape> => shapes[kind].drawn as unknown as Drawn<Shape>;

/** The member of a shape, taken for one that fits it. */
function memberOf(shape: Shape): AnyShape {
  return shapes[shape.kind] as unknown as AnyShape;
}

/**
 * The curve that a shape comes to.
 * @throws CurveError where its parameters do not make one; the sentence is the reason to show
 */
export function curveOfShape(shape: Shape): Curve {
  return memberOf(shape).curve(shape);
}

/** The places by which a shape can be taken hold of, in the order in which Tab finds them. */
export function handlesOfShape(shape: Shape): ItemHandle[] {
  return memberOf(shape).handles(shape);
}

/**
 * The shape with one of its handles at another place; what hangs on it follows: a node takes its handles
 * along, the opposite handle turns as the node's kind says, a circle's centre takes the circle along.
 */
export function moveShapeHandle(shape: Shape, key: string, to: Point): Shape {
  return memberOf(shape).moveHandle(shape, key, to);
}

/** Whether a shape runs round and back, whatever its curve says of its ends. */
export function isClosedShape(shape: Shape): boolean {
  return memberOf(shape).closed(shape);
}

/** The shape with some of its handles taken where a map of the plane takes them; where all are, its lengths follow too. */
export function mapShape(shape: Shape, keys: ReadonlySet<string>, to: (place: Point) => Point): Shape {
  const { mapAll, moveHandle } = memberOf(shape);
  const all = handlesOfShape(shape);
  const handles = all.filter(({ key }) => keys.has(key));
  if (handles.length === 0) return shape;
  const moved = handles.reduce((before, { key, at }) => moveHandle(before, key, to(at)), shape);
  return mapAll && handles.length === all.length ? mapAll(shape, moved, to) : moved;
}
