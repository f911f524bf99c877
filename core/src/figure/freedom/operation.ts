import type { FreedomOf } from '../document/freedoms.js';
import { usesOf } from '../operation/uses.js';
import type { FreedomMember } from './define.js';

/** An operation may be done on a curve, in its place. That its result is the true one is for whoever takes the command to check. */
export const operation: FreedomMember<FreedomOf<'operation'>> = {
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
