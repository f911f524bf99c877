import type { FreedomOf } from '../document/freedoms.js';
import { sourcesOfOperation } from '../operation/operate.js';
import type { FreedomMember } from './define.js';

/** The numbers may be set by which a shape is drawn or a linked curve is made, such as rho; what it is made from stays. */
export const values: FreedomMember<FreedomOf<'values'>> = {
  permits: ({ item }, command, now) => {
    const own = now.items.find(({ id }) => id === item);
    if (command.name === 'setShape')
      return command.item === item && own?.kind === 'shape' && command.shape.kind === own.shape.kind;
    return (
      command.name === 'setOperation' &&
      command.item === item &&
      own?.kind === 'built' &&
      command.operation.name === own.operation.name &&
      sourcesOfOperation(command.operation).join() === sourcesOfOperation(own.operation).join()
    );
  },
  from: (command) =>
    command.name === 'setShape' || command.name === 'setOperation'
      ? { kind: 'values', item: command.item }
      : undefined,
  joined: (first, second) => (first.item === second.item ? first : undefined),
};
