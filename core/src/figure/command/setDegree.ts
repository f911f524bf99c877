import { told } from '../../told/told.js';
import { withDegree } from '../../curve/withDegree.js';
import { itemId, tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { degree } from '../part/parts.js';
import { anyItem, withCurve, withItem } from './change.js';
import type { CommandMember } from './define.js';
import type { SetForm } from './setForm.js';
import type { SetCurve } from './setCurve.js';
import { becomeGiven } from './form.js';

const description = tagged('name', 'setDegree', { item: itemId, degree });
export type SetDegree = ValueOf<typeof description>;

/**
 * The degree of a curve: a given one keeps its points and gets clamped, uniform knots on its domain; a built one
 * and a shape take the degree as their argument, where they have one.
 */
export const setDegree: CommandMember<SetDegree, SetDegree | SetCurve | SetForm> = {
  description,
  apply: (document, command) => {
    const item = anyItem(document, command.item);
    switch (item.kind) {
      case 'point':
      case 'picture':
        throw new CommandError(told('noDegree', { name: item.name }));
      case 'built':
        if (!('degree' in item.operation)) {
          throw new CommandError(told('degreeOfSource', { name: item.name }));
        }
        return {
          document: withItem(document, {
            ...item,
            operation: { ...item.operation, degree: command.degree },
          }),
          inverse: { ...command, degree: item.operation.degree },
        };
      case 'shape':
        if (!('degree' in item.shape)) throw new CommandError(told('degreeOfKind', { name: item.name }));
        return {
          document: withItem(document, { ...item, shape: { ...item.shape, degree: command.degree } }),
          inverse: { ...command, degree: item.shape.degree },
        };
      case 'curve': {
        const made = withDegree(item.curve, command.degree);
        // A periodic curve repeats as many points as its degree: some of those that were loose may be gone.
        if (made.points.length !== item.curve.points.length) return becomeGiven(document, item, made);
        return {
          document: withCurve(document, item, made),
          inverse: { name: 'setCurve', item: item.id, curve: item.curve },
        };
      }
    }
  },
  touches: ({ item }) => [`${item}/form`, `${item}/loose`],
};
