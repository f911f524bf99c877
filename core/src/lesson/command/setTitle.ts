import { tagged, type ValueOf } from '../../describe/describe.js';
import { titleText } from '../lesson.js';
import { validateTitle } from '../validate.js';
import type { LessonCommandMember } from './define.js';

const description = tagged('name', 'setTitle', { title: titleText });
export type SetTitle = ValueOf<typeof description>;

/** The lesson's title. */
export const setTitle: LessonCommandMember<SetTitle> = {
  description,
  apply: (lesson, command) => {
    validateTitle(command.title);
    return { document: { ...lesson, title: command.title }, inverse: { ...command, title: lesson.title } };
  },
  touches: () => ['title'],
  sheet: () => undefined,
};
