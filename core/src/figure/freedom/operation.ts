import { choice, itemId, optional, tagged, whole, type ValueOf } from '../../describe/describe.js';
import { operations, type OperationName } from '../operation/operations.js';
import { usesOf } from '../uses.js';
import type { FreedomMember } from './define.js';

const names = Object.keys(operations) as OperationName[];

const description = tagged('kind', 'operation', {
  operation: choice(...names),
  item: itemId,
  /** How many times at most; as often as one likes where nothing is said. */
  most: optional(whole(1, 99)),
});
export type OperationFreedom = ValueOf<typeof description>;

/** An operation may be done on a curve, in its place. That its result is the true one is for whoever takes the command to check. */
export const operation: FreedomMember<OperationFreedom> = {
  description,
  permits: ({ operation: name, item, most }, command, now, start) =>
    command.name === 'operate' &&
    command.item === item &&
    command.operation.name === name &&
    (most === undefined || usesOf(now, name) - usesOf(start, name) < most),
  from: (command) =>
    command.name === 'operate'
      ? { kind: 'operation', operation: command.operation.name, item: command.item }
      : undefined,
  // The later one says how often.
  joined: (first, second) =>
    first.operation === second.operation && first.item === second.item ? second : undefined,
};
