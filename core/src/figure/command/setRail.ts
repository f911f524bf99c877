import { told } from '../../told/told.js';
import { tagged, type ValueOf } from '../../describe/describe.js';
import { CommandError } from '../../history/history.js';
import { railDescription } from '../document/document.js';
import { isCurveItem } from '../document/item.js';
import { anyItem } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setRail', { rail: railDescription });
export type SetRail = ValueOf<typeof description>;

/** Which curve the rail belongs to, and its tracks. */
export const setRail: CommandMember<SetRail> = {
  description,
  apply: (document, command) => {
    const { item } = command.rail;
    if (item !== null && !isCurveItem(anyItem(document, item))) {
      throw new CommandError(told('railOfCurvesOnly'));
    }
    return { document: { ...document, rail: command.rail }, inverse: { ...command, rail: document.rail } };
  },
  leavesShape: true,
  isFinal: true,
  touches: () => ['rail'],
};
