import { editPoints } from '../../curve/editPoint.js';
import { choice, itemId, tagged, whole, type ValueOf } from '../../describe/describe.js';
import { itemOf } from '../document/document.js';
import { curveOf } from '../evaluation/evaluate.js';
import { index } from '../part/parts.js';
import { numberIn, onCurve, type MeasureMember } from './define.js';

const description = tagged('of', 'coordinate', {
  item: itemId,
  point: choice('controlPoints', 'editPoints', 'referencePoint'),
  index,
  /** 0 for x, 1 for y. */
  axis: whole(0, 2),
});
export type CoordinateMeasure = ValueOf<typeof description>;

const ofCurve = onCurve<CoordinateMeasure>((curve, { point, index: at, axis }) => {
  const place = point === 'controlPoints' ? curve.points[at] : editPoints(curve)[at]?.point;
  return numberIn(place?.[axis], 'length');
});

/** A coordinate of a control point, an edit point or a reference point. */
export const coordinate: MeasureMember<CoordinateMeasure> = {
  description,
  measure: (measure, of) => {
    if (measure.point !== 'referencePoint') return ofCurve(measure, of);
    const item = itemOf(of.document, measure.item);
    return item?.kind === 'point' ? numberIn(item.at[measure.axis], 'length') : undefined;
  },
  offers: (item, { evaluation }) => {
    const of = 'coordinate';
    if (item.kind === 'point')
      return [0, 1].map((axis) => ({ of, item: item.id, point: 'referencePoint', index: 0, axis }));
    const curve = curveOf(evaluation, item.id);
    return (curve?.points ?? []).flatMap((_, at) =>
      [0, 1].map((axis) => ({ of, item: item.id, point: 'controlPoints', index: at, axis }) as const),
    );
  },
};
