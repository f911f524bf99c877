import { whole } from '../../describe/describe.js';
import type { FigureDocument } from '../../figure/document/document.js';
import { atMost, defineCondition } from './define.js';

/** How many operations were done in the place of curves, of whatever kind. */
const count = ({ uses = {} }: FigureDocument): number =>
  Object.values(uses).reduce((sum, times) => sum + times, 0);

/** At most so many operations were used to get there, on whatever curve; moving something by hand is none. */
export const operationsAtMost = defineCondition(
  'operationsAtMost',
  { atMost: whole(0, 999) },
  'count',
  (condition, now, start) => atMost(count(now.document) - count(start.document), condition.atMost),
  () => ({ atMost: 1 }),
);
