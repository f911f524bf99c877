import { told } from '../../told/told.js';
import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';

/**
 * What an item of a figure can come to. An operation says which of these it takes and which it gives; who needs
 * a curve asks `curvesOf`.
 */
export type Geometry =
  | { readonly kind: 'curve'; readonly curve: Curve }
  | { readonly kind: 'point'; readonly at: Point };

export type GeometryKind = Geometry['kind'];

/**
 * The curves among which every one of these must be.
 * @throws CurveError `argument` where one is something else
 */
export function curvesOf(geometries: readonly Geometry[]): Curve[] {
  return geometries.map((geometry) => {
    if (geometry.kind === 'curve') return geometry.curve;
    throw new CurveError('argument', told('builtFromPoint'));
  });
}

/**
 * The points that every one of these must be.
 * @throws CurveError `argument` where one is something else
 */
export function pointsOf(geometries: readonly Geometry[]): Point[] {
  return geometries.map((geometry) => {
    if (geometry.kind === 'point') return geometry.at;
    throw new CurveError('argument', told('curveNeedsPoints'));
  });
}
