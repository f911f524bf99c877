import { nullable, sheetId, tagged, type ValueOf } from '../../describe/describe.js';
import { taskDescription } from '../lesson.js';
import { validateTask } from '../validate.js';
import { existingSheet, withSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'setTask', { sheet: sheetId, task: nullable(taskDescription) });
export type SetTask = ValueOf<typeof description>;

/** What a sheet asks of its reader, or that it asks nothing. */
export const setTask: LessonCommandMember<SetTask> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    validateTask(command.task);
    return {
      document: withSheet(lesson, { ...sheet, task: command.task }),
      inverse: { ...command, task: sheet.task },
    };
  },
  touches: ({ sheet }) => [`${sheet}/task`],
  sheet: ({ sheet }) => sheet,
};
