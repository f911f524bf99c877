import { CurveError } from '../../curve/error.js';
import { CommandError } from '../../history/history.js';
import { applyFigureCommand } from './applyCommand.js';
import { singleCommands, type FigureCommand } from '../command/commands.js';
import type { FigureDocument } from '../document/document.js';
import { evaluateFigure, geometryOf } from '../evaluation/evaluate.js';
import { operate, sourcesOfOperation } from '../operation/operate.js';

/** How far the numbers of one result may lie from those of another machine, against the largest of them. */
const roundingShare = 1e-9;

/** Whether a command carries the result of an operation, which is calculated again before it is believed. */
export const operates = (command: FigureCommand): boolean =>
  singleCommands(command).some(({ name }) => name === 'operate');

/**
 * Whether the results that a command carries for its operations are those that the operations come to, so that a result
 * from elsewhere is not a claim. It takes as long as the operations do.
 */
export function resultsAreTrue(document: FigureDocument, command: FigureCommand): boolean {
  let now = document;
  try {
    for (const single of singleCommands(command)) {
      if (single.name === 'operate') {
        const evaluation = evaluateFigure(now);
        const sources = sourcesOfOperation(single.operation).flatMap((id) => {
          const evaluated = evaluation.items.get(id);
          const geometry = evaluated && geometryOf(evaluated);
          return geometry ? [geometry] : [];
        });
        if (!isClose(operate(single.operation, sources).curve, single.curve)) return false;
      }
      now = applyFigureCommand(now, single).document;
    }
    return true;
  } catch (error) {
    if (error instanceof CommandError || error instanceof CurveError) return false;
    throw error;
  }
}

/** Whether two values are alike but for the rounding of their numbers. */
function isClose(a: unknown, b: unknown): boolean {
  const [first, second] = [numbersIn(a), numbersIn(b)];
  const size = Math.max(1, ...first.numbers.map(Math.abs));
  return (
    first.rest === second.rest &&
    first.numbers.length === second.numbers.length &&
    first.numbers.every((value, index) => Math.abs(value - second.numbers[index]!) <= roundingShare * size)
  );
}

function numbersIn(value: unknown): { readonly numbers: readonly number[]; readonly rest: string } {
  const numbers: number[] = [];
  const sorted = (part: unknown): unknown => {
    if (typeof part === 'number') {
      numbers.push(part);
      return '#';
    }
    if (Array.isArray(part)) return part.map(sorted);
    if (typeof part !== 'object' || part === null) return part;
    return Object.entries(part as Readonly<Record<string, unknown>>)
      .sort(([x], [y]) => (x < y ? -1 : 1))
      .map(([key, inner]) => [key, sorted(inner)]);
  };
  return { rest: JSON.stringify(sorted(value)), numbers };
}
