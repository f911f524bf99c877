import { told } from '../../told/told.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { sourcesOfOperation } from '../operation/operate.js';
import { operationDescription } from '../operation/operations.js';
import { curve } from '../part/parts.js';
import { withUse } from '../operation/uses.js';
import { anyItem } from './change.js';
import type { CommandMember } from './define.js';
import type { SetUses } from './setUses.js';
import type { SetForm } from './setForm.js';
import { becomeGiven } from './form.js';

const description = tagged('name', 'operate', {
  item: itemId,
  operation: operationDescription,
  /** What the operation came to when it was applied. */
  curve,
});
export type Operate = ValueOf<typeof description>;

/**
 * An item becomes the result of an operation of which it is a source. The result comes with the command: what
 * was seen is what is kept, also where the operation is costly or later computed another way.
 */
export const operate: CommandMember<Operate, SetForm | SetUses> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    for (const source of sourcesOfOperation(command.operation)) anyItem(document, source);
    if (!sourcesOfOperation(command.operation).includes(item.id)) {
      throw new CommandError(told('operateOnOther', { name: item.name }));
    }
    const { document: changed, inverse } = becomeGiven(document, item, command.curve);
    return {
      document: withUse(changed, command.operation.name),
      inverse: { name: 'batch', commands: [inverse, { name: 'setUses', uses: document.uses ?? {} }] },
    };
  },
  touches: ({ item }) => [`${item}/form`, `${item}/loose`, 'uses'],
};
