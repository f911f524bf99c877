import { curveOf } from '../figure/evaluation/evaluate.js';
import { isCurveItem, type FigureItem } from '../figure/document/item.js';
import { told, type Told } from '../told/told.js';
import type { OutgoingCurve, OutgoingFigure } from './define.js';

/** What of a figure goes out into a format that knows curves and points and nothing else. */
export interface Outgoing {
  readonly curves: readonly OutgoingCurve[];
  readonly points: readonly Extract<FigureItem, { readonly kind: 'point' }>[];
  readonly lost: readonly Told[];
}

/** Whether a curve has weights of zero and below, which the exchange standards forbid. */
export const isSigned = ({ curve }: OutgoingCurve): boolean =>
  curve.weights?.some((weight) => weight <= 0) ?? false;

/** The curves and points of a figure that go out, and what stays behind. */
export function outgoingOf({ document, evaluation, only }: OutgoingFigure): Outgoing {
  const wanted = document.items.filter(({ id, hidden }) => (only ? only.includes(id) : !hidden));
  const curves = wanted.flatMap((item): OutgoingCurve[] => {
    const curve = isCurveItem(item) ? curveOf(evaluation, item.id) : undefined;
    return curve ? [{ item, curve }] : [];
  });
  const points = wanted.filter((item) => item.kind === 'point');
  const count = {
    lostHidden: only ? 0 : document.items.filter(({ hidden }) => hidden).length,
    lostPictures: wanted.filter(({ kind }) => kind === 'picture').length,
    lostFailed: wanted.filter(isCurveItem).length - curves.length,
    lostBuilt: curves.filter(({ item }) => item.kind !== 'curve').length,
  };
  const lost = (Object.keys(count) as (keyof typeof count)[])
    .filter((code) => count[code] > 0)
    .map((code) => told(code, { count: count[code] }));
  return { curves, points, lost };
}
