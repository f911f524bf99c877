import { figureSchema } from '@bogen/contract';
import { migrateFigure, validateFigure, type FigureDocument } from '@bogen/core/figure';
import { CommandError, told } from '@bogen/core/lesson';
import { firstIssue } from '../http/route.js';

/** A figure as it is stored by itself, brought to the current version. */
export const storedFigure = (document: unknown): FigureDocument =>
  migrateFigure(document) as unknown as FigureDocument;

/** A figure that came from outside, brought to the current version and checked. @throws CommandError */
export function readForeignFigure(foreign: unknown): FigureDocument {
  const parsed = figureSchema.safeParse(migrateFigure(foreign));
  if (!parsed.success) throw new CommandError(told('notAWholeFigure', { issue: firstIssue(parsed.error) }));
  validateFigure(parsed.data);
  return parsed.data;
}
