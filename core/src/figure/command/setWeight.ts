import { withWeight } from '../../curve/periodic.js';
import { validatePointIndex } from '../../curve/validate.js';
import { itemId, number, tagged, type ValueOf } from '../../describe/describe.js';
import { index } from '../part/parts.js';
import { givenCurve, withCurve } from './change.js';
import type { CommandMember } from './define.js';
import type { SetCurve } from './setCurve.js';

const description = tagged('name', 'setWeight', { item: itemId, index, weight: number({ unit: 'ratio' }) });
export type SetWeight = ValueOf<typeof description>;

/** The weight of a control point; a polynomial curve becomes rational by it. */
export const setWeight: CommandMember<SetWeight, SetWeight | SetCurve> = {
  description,
  apply: (document, command) => {
    const item = givenCurve(document, command.item);
    validatePointIndex(item.curve, command.index);
    const { weights } = item.curve;
    return {
      document: withCurve(document, item, withWeight(item.curve, command.index, command.weight)),
      inverse: weights
        ? { ...command, weight: weights[command.index]! }
        : { name: 'setCurve', item: item.id, curve: item.curve },
    };
  },
  isFinal: true,
  touches: ({ item, index: point }) => [`${item}/form/weights/${point}`],
};
