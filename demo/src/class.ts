import { applyFigureCommand, readerMay } from '@bogen/core/figure';
import { answerTo, figureOfStage, isAnsweredByFigure, type Sheet, type Task } from '@bogen/core/lesson';
import type { Attempt, TaskAttempts } from './attempts.js';
import { demoLessons } from './lessons.js';

export const instructor = {
  name: 'Mirela Kastan',
  email: 'mirela@ellerbrook.example',
  password: 'peg-rib-and-purfling',
};

export const courseTitle = 'Lines of a viol';

export const demoClass = { name: 'Ellerbrook, autumn bench', code: 'BOUT-7K4M' };

/** How far a made-up student got with a sheet. */
export type Went = 'unopened' | 'opened' | 'stuck' | 'wrong' | 'done';

const fates: Readonly<Record<string, Went>> = {
  '-': 'unopened',
  o: 'opened',
  s: 'stuck',
  w: 'wrong',
  d: 'done',
};

/** How each student of the class got on with the sheets of each lesson of the course, a sign for each sheet. */
const progress: readonly (readonly [name: string, ...byLesson: string[]])[] = [
  ['Anouk Tessel', 'ddddddd', 'ddddd', 'dddddd', 'dddddd', 'ddddddd', 'dddddd', 'dddddd', 'ddddddd'],
  // The one who overdoes it: forty points.
  ['Bram Oduya', 'ddddddd', 'ddwdw', 'ddddww', 'dddddw', 'ddw----', 'wdws--'],
  ['Catrin Vale', 'ddwdddw', 'dw-', 'ddw-'],
  ['Davit Marrow', 'dwws---', 'w--'],
  ['Elsbeth Qui', 'dddddwd', 'ds-', '', '', '', '', '', 'dwwdwwd'],
  ['Farid Lindqvist', 'wdddddd', 'ddsdd', 'dddddd', 'dddwds', 'ddwddds', 'dws---', 'dwws--'],
  ['Gesine Adair', 'ddsos--', 's--'],
  ['Henrik Soto', 'ddddddd', 'ddddd', 'dddddd', 'dddddd', 'dddddwd', 'ddddwd', 'dddwdd', 'dddddws'],
  ['Ilse Brandywine', 'dw-----', 'o--'],
  ['Jonas Peverell-Ito', 'ddwdwwd', 'dwo', 'dwo-'],
  ['Kirsi Amadou', 'ddddddw', 'dd-ws'],
  ['Lorcan Weiss'],
];

export const students = progress.map(([name, ...byLesson]) => ({
  name,
  /** By the title of a lesson, one for each of its sheets. */
  went: (lesson: string): readonly Went[] =>
    [...(byLesson[demoLessons.findIndex(({ document }) => document.title === lesson)] ?? '')].map(
      (sign) => fates[sign]!,
    ),
}));

/**
 * What a student did on a task, who got so far with it.
 * @param number tells students apart who got equally far
 */
export function attemptOf(
  sheet: Sheet,
  task: Task,
  { right, wrong }: Pick<TaskAttempts, 'right' | 'wrong'>,
  went: Went,
  number: number,
): Attempt {
  const one = <T>(of: readonly T[]): T | undefined => of[number % Math.max(1, of.length)];
  if (went === 'done') return one([...shownBy(sheet, task), ...right]) ?? {};
  if (went !== 'wrong' && went !== 'stuck') return {};
  const { commands = [], answer } = one(wrong) ?? {};
  // Who is stuck has done a part of it and asked for nothing yet.
  if (went === 'stuck') return { commands: commands.slice(0, Math.max(1, commands.length - 1)) };
  return { commands, ...(answer ? { answer } : {}) };
}

/** The way that the sheet itself knows. */
function shownBy(sheet: Sheet, task: Task): readonly Attempt[] {
  if (!isAnsweredByFigure(task)) {
    const start = figureOfStage(sheet, task.stage);
    const answer = answerTo(sheet, task, { start, figure: start });
    return answer ? [{ answer }] : [];
  }
  const solution = sheet.stages.find(({ id }) => id === task.solution);
  if (!solution) return [];
  // A stage may show it in a way that readers have not.
  const start = figureOfStage(sheet, task.stage);
  let now = start;
  for (const command of solution.commands) {
    if (!readerMay(now, command, start)) return [];
    now = applyFigureCommand(now, command).document;
  }
  return [{ commands: solution.commands }];
}
