import { list, sheetId, tagged, whole } from '../../describe/describe.js';
import { index } from '../../figure/part/parts.js';
import { lessonLimits } from '../lesson.js';
import { taskDescription, type Task } from '../task/tasks.js';
import { validateTasks } from '../validate.js';
import { existingSheet, withSheet, type LessonCommandMember } from './define.js';

const description = tagged('name', 'changeTasks', {
  sheet: sheetId,
  at: index,
  remove: whole(0, lessonLimits.tasks),
  insert: list(taskDescription, lessonLimits.tasks),
});
export interface ChangeTasks {
  readonly name: 'changeTasks';
  readonly sheet: string;
  readonly at: number;
  readonly remove: number;
  readonly insert: readonly Task[];
}

/** What a sheet asks of its reader: tasks from a place in their row go, and others come in their stead. */
export const changeTasks: LessonCommandMember<ChangeTasks> = {
  description,
  apply: (lesson, command) => {
    const sheet = existingSheet(lesson, command.sheet);
    const at = Math.min(command.at, sheet.tasks.length);
    const removed = sheet.tasks.slice(at, at + command.remove);
    const changed = { ...sheet, tasks: sheet.tasks.toSpliced(at, removed.length, ...command.insert) };
    validateTasks(changed);
    return {
      document: withSheet(lesson, changed),
      inverse: { ...command, at, remove: command.insert.length, insert: removed },
    };
  },
  touches: ({ sheet }) => [`${sheet}/tasks`],
  sheet: ({ sheet }) => sheet,
};
