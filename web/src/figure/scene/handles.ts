import { distinctPointCount, isClamped, type Curve } from '@bogen/core/curve';
import { curveOf, isShown, itemOf, type FigureDocument, type PointKind } from '@bogen/core/figure';
import { editPointsOf } from '../geometry/geometry.js';
import { wholePane, type Pane } from './pane.js';
import type { FigureScene } from './scene.js';
import type { Picked } from './sceneParts.js';

/**
 * Pixels from a control point's middle to its ring: the ring's area follows the size of the weight. In quarters of a
 * pixel, so that a weight in the hand finds most of its rings drawn already.
 */
export function ringRadius(curve: Curve, index: number): number {
  const radius = 6 * Math.sqrt(Math.abs(curve.weights?.[index] ?? 1));
  return Math.max(3.5, Math.min(14, Math.round(4 * radius) / 4));
}

/** The first and last edit point of a clamped curve lie on control points, whose marks and names stand for both. */
export function liesUnderControlPoint(
  document: FigureDocument,
  curve: Curve,
  { item, of, index }: Picked,
): boolean {
  if (of === 'controlPoints' || !isShown(document, 'controlPoints', itemOf(document, item))) {
    return false;
  }
  return (index === 0 || index === curve.points.length - 1) && isClamped(curve.knots, curve.degree);
}

/** Every point that can be taken hold of, in the order in which they are drawn and found by Tab. */
export function handlesOf({ document, evaluation }: FigureScene, pane: Pane = wholePane): Picked[] {
  return document.items.flatMap((item) => {
    const there = item.kind === 'curve' && !item.faint && !item.hidden && pane.shows(item.id);
    const curve = there ? curveOf(evaluation, item.id) : undefined;
    if (!curve) return [];
    // The repeated points of a periodic curve are the same handles as its first.
    const count = distinctPointCount(curve);
    const all = (of: PointKind): Picked[] =>
      Array.from({ length: count }, (_, index) => ({ item: item.id, of, index }));
    const controlPoints = isShown(document, 'controlPoints', item) ? all('controlPoints') : [];
    const edits =
      isShown(document, 'editPoints', item) && editPointsOf(curve).length > 0 ? all('editPoints') : [];
    // Where an edit point lies on a control point, the control point is the one to take hold of.
    const under = edits.filter((edit) => liesUnderControlPoint(document, curve, edit));
    return [...under, ...controlPoints, ...edits.filter((edit) => !under.includes(edit))];
  });
}

/** Where a handle is, in the plane. */
export function handlePlace(
  { evaluation }: FigureScene,
  { item, of, index }: Picked,
): [number, number] | undefined {
  const curve = curveOf(evaluation, item);
  const point = of === 'controlPoints' ? curve?.points[index] : curve && editPointsOf(curve)[index]?.point;
  return point && [point[0]!, point[1]!];
}
