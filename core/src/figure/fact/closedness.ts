import { closednessOf } from '../../curve/close.js';
import type { Curve } from '../../curve/curve.js';
import type { FigureItem } from '../document/item.js';
import { isClosedShape } from '../shape/shapes.js';
import type { Closedness, FactMember } from './define.js';

/**
 * Whether a curve of a figure runs round: a shape that was drawn closed is, whatever its curve says of its ends;
 * of another curve its ends and its knots tell.
 */
export function closednessOfItem(curve: Curve, item: FigureItem | undefined): Closedness {
  const measured = closednessOf(curve);
  return item?.kind === 'shape' && measured !== 'periodic' && isClosedShape(item.shape) ? 'closed' : measured;
}

/** Open, ends that meet, closed, or periodic. */
export const closedness: FactMember = (curve, item) => ({
  kind: 'word',
  word: closednessOfItem(curve, item),
});
