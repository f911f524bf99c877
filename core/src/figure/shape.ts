import { curveOfChain, type BezierChain } from '../curve/bezierChain.js';
import { approximateCircle, approximateCircleByCubics } from '../curve/circleError.js';
import {
  arcFromBulge,
  arcFromEnds,
  arcThroughPoints,
  exactCircle,
  exactEllipse,
  type CircleLayout,
} from '../curve/circle.js';
import { conicFromShoulder, conicFromTangents } from '../curve/conic.js';
import type { Curve, Point } from '../curve/curve.js';
import { CurveError } from '../curve/error.js';
import { fitStroke } from '../curve/fitPoints.js';
import { interpolate, interpolateClosed, type Parametrisation } from '../curve/interpolate.js';

/**
 * A curve that is given by parameters of its own kind rather than by degree, knots and points: it keeps
 * them, so that they can be changed later, and comes to a curve by `curveOfShape`.
 */
export type Shape =
  | {
      readonly kind: 'through';
      /** The points that the curve passes, its own handles. */
      readonly points: readonly Point[];
      readonly degree: number;
      readonly parametrisation: Parametrisation;
      readonly closed: boolean;
    }
  | { readonly kind: 'arcThrough'; readonly start: Point; readonly through: Point; readonly end: Point }
  | {
      readonly kind: 'arcRadius';
      readonly start: Point;
      readonly end: Point;
      readonly radius: number;
      readonly side: 'left' | 'right';
      readonly large: boolean;
    }
  | { readonly kind: 'arcBulge'; readonly start: Point; readonly end: Point; readonly bulge: number }
  | {
      readonly kind: 'circle';
      readonly centre: Point;
      readonly radius: number;
      readonly layout: CircleLayout | CircleLook;
    }
  | {
      readonly kind: 'ellipse';
      readonly centre: Point;
      /** From the centre to the ends of the half axes. */
      readonly axisX: Point;
      readonly axisY: Point;
      readonly layout: CircleLayout;
    }
  | { readonly kind: 'rectangle'; readonly corner: Point; readonly opposite: Point }
  | {
      readonly kind: 'polygon';
      readonly centre: Point;
      /** The place of the first corner. */
      readonly corner: Point;
      readonly sides: number;
    }
  | {
      readonly kind: 'conic';
      readonly start: Point;
      readonly end: Point;
      /** The shoulder point or the tangent intersection, whichever is held while rho changes. */
      readonly held: 'shoulder' | 'tangentIntersection';
      readonly place: Point;
      readonly rho: number;
    }
  | { readonly kind: 'chain'; readonly chain: BezierChain }
  | {
      readonly kind: 'stroke';
      readonly points: readonly Point[];
      readonly tolerance: number;
      readonly degree: number;
    };

/** A circle that only looks like one: periodic of a degree and count, or a chain of cubic pieces. */
export type CircleLook =
  | { readonly look: 'periodic'; readonly degree: number; readonly count: number }
  | { readonly look: 'cubics'; readonly pieces: number };

/**
 * The curve that a shape comes to.
 * @throws CurveError where its parameters do not make one; the sentence is the reason to show
 */
export function curveOfShape(shape: Shape): Curve {
  switch (shape.kind) {
    case 'through':
      return shape.closed
        ? interpolateClosed(shape.points, shape.degree, shape.parametrisation).curve
        : interpolate(shape.points, shape.degree, shape.parametrisation).curve;
    case 'arcThrough':
      return arcThroughPoints(shape.start, shape.through, shape.end);
    case 'arcRadius':
      return arcFromEnds(shape.start, shape.end, shape.radius, shape.side, shape.large);
    case 'arcBulge':
      return arcFromBulge(shape.start, shape.end, shape.bulge);
    case 'circle': {
      const { centre, radius, layout } = shape;
      if (typeof layout === 'string') return exactCircle({ centre, radius, x: [1, 0], y: [0, 1] }, layout);
      return layout.look === 'periodic'
        ? approximateCircle(centre, radius, layout.degree, layout.count).curve
        : approximateCircleByCubics(centre, radius, layout.pieces).curve;
    }
    case 'ellipse':
      return exactEllipse(shape.centre, shape.axisX, shape.axisY, shape.layout);
    case 'rectangle': {
      const [[x0, y0], [x1, y1]] = [shape.corner, shape.opposite] as [
        readonly [number, number],
        readonly [number, number],
      ];
      if (x0 === x1 || y0 === y1) {
        throw new CurveError('argument', 'The corners of the rectangle lie on one line; it has no area.');
      }
      return closedPolygon([
        [x0, y0],
        [x1, y0],
        [x1, y1],
        [x0, y1],
      ]);
    }
    case 'polygon': {
      const { centre, corner, sides } = shape;
      if (!Number.isInteger(sides) || sides < 3) {
        throw new CurveError('argument', `A polygon has 3 sides or more; this has ${sides}.`, {
          value: sides,
        });
      }
      const [x, y] = [corner[0]! - centre[0]!, corner[1]! - centre[1]!];
      if (x === 0 && y === 0) {
        throw new CurveError('argument', 'The corner lies on the centre; the polygon has no size.');
      }
      return closedPolygon(
        Array.from({ length: sides }, (_, k) => {
          const [c, s] = [Math.cos((2 * Math.PI * k) / sides), Math.sin((2 * Math.PI * k) / sides)];
          return [centre[0]! + c * x - s * y, centre[1]! + s * x + c * y];
        }),
      );
    }
    case 'conic':
      return shape.held === 'shoulder'
        ? conicFromShoulder(shape.start, shape.place, shape.end, shape.rho)
        : conicFromTangents(shape.start, shape.place, shape.end, shape.rho);
    case 'chain':
      return curveOfChain(shape.chain);
    case 'stroke':
      return fitStroke(shape.points, shape.tolerance, shape.degree).curve;
  }
}

/** The corners of a polygon once round and back to the first, as a curve of degree 1. */
function closedPolygon(corners: readonly Point[]): Curve {
  const points = [...corners, corners[0]!];
  const last = points.length - 1;
  return { degree: 1, knots: [0, ...points.map((_, k) => k / last), 1], points };
}
