import { editPoints } from '@bogen/core/curve';
import { applyFigureCommand, curveOf, evaluateFigure, type FigureCommand } from '@bogen/core/figure';
import { checkTask, isTaskMet, type Sheet } from '@bogen/core/lesson';

export const instructor = {
  name: 'Mirela Kastan',
  email: 'mirela@ellerbrook.example',
  password: 'peg-rib-and-purfling',
};

export const courseTitle = 'Lines of a viol';

export const demoClass = { name: 'Ellerbrook, autumn bench', code: 'BOUT-7K4M' };

/** How far a made-up student got with a sheet. */
type Went = 'unopened' | 'opened' | 'stuck' | 'wrong' | 'done';

/** About a dozen students with different progress on the three sheets. */
export const students: readonly { readonly name: string; readonly went: readonly [Went, Went, Went] }[] = [
  { name: 'Anouk Tessel', went: ['done', 'done', 'done'] },
  { name: 'Bram Oduya', went: ['done', 'done', 'wrong'] },
  { name: 'Catrin Vale', went: ['done', 'wrong', 'unopened'] },
  { name: 'Davit Marrow', went: ['wrong', 'unopened', 'unopened'] },
  { name: 'Elsbeth Qui', went: ['done', 'stuck', 'unopened'] },
  { name: 'Farid Lindqvist', went: ['done', 'done', 'stuck'] },
  { name: 'Gesine Adair', went: ['stuck', 'unopened', 'unopened'] },
  { name: 'Henrik Soto', went: ['done', 'done', 'done'] },
  { name: 'Ilse Brandywine', went: ['opened', 'unopened', 'unopened'] },
  { name: 'Jonas Peverell-Ito', went: ['done', 'wrong', 'opened'] },
  { name: 'Kirsi Amadou', went: ['done', 'done', 'unopened'] },
  { name: 'Lorcan Weiss', went: ['unopened', 'unopened', 'unopened'] },
];

/** The moves that a student with this fate makes on a sheet. */
export function movesOf(sheet: Sheet, went: Went): FigureCommand[] {
  if (went === 'unopened' || went === 'opened') return [];
  const stuck: FigureCommand = { name: 'moveControlPoint', item: 'waist', index: 6, to: [214, 58] };
  if (went === 'stuck') return [stuck];
  if (went === 'wrong') return [stuck, { name: 'moveControlPoint', item: 'waist', index: 3, to: [134, 48] }];
  return [solutionOf(sheet)];
}

/** What was found once for a sheet; many students of the class do the same. */
const found = new WeakMap<Sheet, FigureCommand>();

/** The smallest move of one point, straight up or down by tenths of a millimetre, that meets the task. */
export function solutionOf(sheet: Sheet): FigureCommand {
  const known = found.get(sheet) ?? findSolution(sheet);
  found.set(sheet, known);
  return known;
}

function findSolution(sheet: Sheet): FigureCommand {
  const { figure } = sheet;
  const [task] = sheet.tasks;
  const curve = curveOf(evaluateFigure(figure), 'waist');
  if (!task || !curve) throw new Error(`${sheet.title} has no task on the waist.`);
  const byEditPoint = figure.loose['waist']?.editPoints.length !== 0;
  const places = byEditPoint ? editPoints(curve).map(({ point }) => point) : curve.points;
  for (let step = 0; step < 1200; step++) {
    for (const index of [4, 5]) {
      const [x, y] = places[index] as [number, number];
      for (const direction of [-1, 1]) {
        const command: FigureCommand = {
          name: byEditPoint ? 'moveEditPoint' : 'moveControlPoint',
          item: 'waist',
          index,
          to: [x, Math.round((y + (direction * step) / 10) * 1000) / 1000],
        };
        const { document } = applyFigureCommand(figure, command);
        if (isTaskMet(checkTask(sheet, task, { start: figure, figure: document }))) return command;
      }
    }
  }
  throw new Error(`${sheet.title} can't be solved by one point.`);
}
