import { tagged, type ValueOf } from '../../describe/describe.js';
import { viewDescription } from '../document/document.js';
import { validateView } from '../document/validate.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'setView', { view: viewDescription });
export type SetView = ValueOf<typeof description>;

/** The part of the plane that the figure shows first. */
export const setView: CommandMember<SetView> = {
  description,
  apply: (document, command) => {
    validateView(command.view);
    return { document: { ...document, view: command.view }, inverse: { ...command, view: document.view } };
  },
  leavesShape: true,
  isFinal: true,
  touches: () => ['view'],
};
