import { inflections } from '../../curve/features.js';
import { whole } from '../../describe/describe.js';
import { atMost, defineCondition } from './define.js';

/** The curve has at most so many inflections: places where its curvature changes sign. */
export const inflectionsAtMost = defineCondition(
  'inflectionsAtMost',
  { atMost: whole(0, 100_000) },
  'count',
  (condition, { curve }) => atMost(inflections(curve).length, condition.atMost),
  () => ({ atMost: 0 }),
);
