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

/** @throws CurveError `argument` where a geometry is of another kind than what is built needs */
export function refuseOtherThan(kind: GeometryKind, geometry: Geometry): void {
  if (geometry.kind === kind) return;
  throw new CurveError('argument', told(kind === 'curve' ? 'builtFromPoint' : 'curveNeedsPoints'));
}

/**
 * The curves that every one of these must be.
 * @throws CurveError `argument` where one is something else
 */
export function curvesOf(geometries: readonly Geometry[]): Curve[] {
  return geometries.flatMap((geometry) => {
    refuseOtherThan('curve', geometry);
    return geometry.kind === 'curve' ? [geometry.curve] : [];
  });
}

/**
 * The points that every one of these must be.
 * @throws CurveError `argument` where one is something else
 */
export function pointsOf(geometries: readonly Geometry[]): Point[] {
  return geometries.flatMap((geometry) => {
    refuseOtherThan('point', geometry);
    return geometry.kind === 'point' ? [geometry.at] : [];
  });
}
