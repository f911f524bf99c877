import { choice, whole, type ChoiceField } from '../../describe/describe.js';
import { offeredOperations, type OfferedOperation } from '../../figure/operation/operations.js';
import { atMost, defineCondition } from './define.js';

const operation: ChoiceField<OfferedOperation> = { ...choice(...offeredOperations), of: 'operation' };

/** One operation was used at most so many times to get there, on whatever curve. */
export const operationAtMost = defineCondition(
  'operationAtMost',
  { operation, atMost: whole(0, 999) },
  'count',
  (condition, now, start) => {
    const times = ({ uses = {} }: typeof now.document): number => uses[condition.operation] ?? 0;
    return atMost(times(now.document) - times(start.document), condition.atMost);
  },
  () => ({ operation: 'insertKnot' as const, atMost: 1 }),
);
