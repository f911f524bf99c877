import { closednessOfItem } from '../../figure/fact/closedness.js';
import { defineCondition, holds } from './define.js';

/** The curve runs round, and its ends can't come apart: it is periodic, or a shape that was drawn closed. */
export const closed = defineCondition(
  'closed',
  {},
  'holds',
  (_, { curve, item }) => holds(['periodic', 'closed'].includes(closednessOfItem(curve, item))),
  () => ({}),
);
