import { moveHandle, moveNode } from '../curve/bezierChain.js';
import { shoulderOf } from '../curve/conic.js';
import type { Curve, Point } from '../curve/curve.js';
import { addScaled, subtract } from '../curve/vector.js';
import type { Shape } from './shape.js';

/** A place by which a given shape is taken hold of. */
export interface ShapeHandle {
  /** Names it within its shape, stable while the shape keeps its kind and number of places. */
  readonly key: string;
  readonly at: Point;
  /** Whether the curve passes it, or is pulled by it. */
  readonly role: 'passed' | 'pulls';
  /** The place that a line leads to from here, for what pulls. */
  readonly from?: Point;
}

/**
 * The places by which a shape can be taken hold of, in the order in which Tab finds them. A freehand
 * stroke has one, its start, which takes all of it along.
 */
export function handlesOfShape(shape: Shape): ShapeHandle[] {
  const passed = (key: string, at: Point): ShapeHandle => ({ key, at, role: 'passed' });
  const pulls = (key: string, at: Point, from: Point): ShapeHandle => ({ key, at, role: 'pulls', from });
  switch (shape.kind) {
    case 'through':
      return shape.points.map((point, index) => passed(String(index), point));
    case 'arcThrough':
      return [passed('start', shape.start), passed('through', shape.through), passed('end', shape.end)];
    case 'arcRadius':
    case 'arcBulge':
      return [passed('start', shape.start), passed('end', shape.end)];
    case 'circle': {
      const rim = [shape.centre[0]! + shape.radius, shape.centre[1]!];
      return [pulls('centre', shape.centre, rim), passed('rim', rim)];
    }
    case 'ellipse': {
      const [x, y] = [addScaled(shape.centre, shape.axisX), addScaled(shape.centre, shape.axisY)];
      return [pulls('centre', shape.centre, x), passed('axisX', x), passed('axisY', y)];
    }
    case 'rectangle':
      return [passed('corner', shape.corner), passed('opposite', shape.opposite)];
    case 'polygon':
      return [pulls('centre', shape.centre, shape.corner), passed('corner', shape.corner)];
    case 'conic':
      return [
        passed('start', shape.start),
        shape.held === 'shoulder' ? passed('place', shape.place) : pulls('place', shape.place, shape.start),
        passed('end', shape.end),
      ];
    case 'chain':
      return shape.chain.nodes.flatMap(({ point, before, after }, index) => [
        passed(`${index}`, point),
        pulls(`${index}/before`, before, point),
        pulls(`${index}/after`, after, point),
      ]);
    case 'stroke':
      return [passed('start', shape.points[0]!)];
  }
}

/**
 * The shape with one of its handles at another place; what hangs on it follows: a node takes its handles
 * along, the opposite handle turns as the node's kind says, a circle's centre takes the circle along.
 */
export function moveShapeHandle(shape: Shape, key: string, to: Point): Shape {
  switch (shape.kind) {
    case 'through':
      return { ...shape, points: shape.points.map((point, index) => (String(index) === key ? to : point)) };
    case 'circle':
      if (key === 'centre') return { ...shape, centre: to };
      return { ...shape, radius: Math.hypot(to[0]! - shape.centre[0]!, to[1]! - shape.centre[1]!) };
    case 'ellipse':
      return key === 'centre' ? { ...shape, centre: to } : { ...shape, [key]: subtract(to, shape.centre) };
    case 'polygon': {
      if (key === 'corner') return { ...shape, corner: to };
      return { ...shape, centre: to, corner: addScaled(shape.corner, subtract(to, shape.centre)) };
    }
    case 'chain': {
      const [index, side] = key.split('/') as [string, 'before' | 'after' | undefined];
      const chain = side
        ? moveHandle(shape.chain, Number(index), side, to)
        : moveNode(shape.chain, Number(index), to);
      return { ...shape, chain };
    }
    case 'stroke': {
      const by = subtract(to, shape.points[0]!);
      return { ...shape, points: shape.points.map((point) => addScaled(point, by)) };
    }
    default:
      return { ...shape, [key]: to };
  }
}

/** A conic held the other way: by its shoulder instead of its tangent intersection, or back, unchanged in form. */
export function conicHeldBy(
  shape: Shape & { readonly kind: 'conic' },
  held: 'shoulder' | 'tangentIntersection',
  curve: Curve,
): Shape {
  if (shape.held === held) return shape;
  const place = held === 'shoulder' ? shoulderOf(curve) : curve.points[1]!;
  return { ...shape, held, place };
}
