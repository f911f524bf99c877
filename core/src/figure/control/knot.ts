import { domainOf, interiorKnots } from '../../curve/knotVector.js';
import type { Curve } from '../../curve/curve.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { itemOf, type FigureDocument } from '../document/document.js';
import { index } from '../part/parts.js';
import type { ControlMember } from './define.js';

const description = tagged('of', 'knot', {
  item: itemId,
  /** Which of the distinct knots inside it is, from 0. */
  index,
});
export type KnotControl = ValueOf<typeof description>;

/** How near to its neighbours a knot is pulled, as a share of the way between them: it must not become one with them. */
const margin = 0.02;

const givenCurve = (document: FigureDocument, id: string): Curve | undefined => {
  const item = itemOf(document, id);
  return item?.kind === 'curve' ? item.curve : undefined;
};

/** The value of an interior knot, between its neighbours. */
export const knot: ControlMember<KnotControl> = {
  description,
  range: ({ item, index: which }, { document }) => {
    const curve = givenCurve(document, item);
    const inside = curve ? interiorKnots(curve.knots, curve.degree).map(({ value }) => value) : [];
    const value = inside[which];
    if (!curve || value === undefined) return undefined;
    const [start, end] = domainOf(curve.knots, curve.degree);
    const [before, after] = [inside[which - 1] ?? start, inside[which + 1] ?? end];
    const gap = margin * (after - before);
    return { value, least: before + gap, most: after - gap };
  },
  command: ({ item, index: which }, to, { document }) => {
    const curve = givenCurve(document, item);
    const own = curve && interiorKnots(curve.knots, curve.degree)[which];
    return own && { name: 'moveKnot', item, knot: own.value, to };
  },
  offers: (item) =>
    item.kind === 'curve' && !item.faint
      ? interiorKnots(item.curve.knots, item.curve.degree).map((_, which) => ({
          of: 'knot',
          item: item.id,
          index: which,
        }))
      : [],
};
