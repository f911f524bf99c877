import type { FigureCommand } from '@bogen/core/figure';
import type { Guess, TaskAnswer } from '@bogen/core/lesson';

/** What somebody does on a task: changes of the figure, an answer, or both. */
export interface Attempt {
  readonly commands?: readonly FigureCommand[];
  readonly answer?: TaskAnswer;
}

/** A typical wrong attempt, with the feedback that it is to get. */
export interface WrongAttempt extends Attempt {
  /** What went wrong, for whoever reads the tests and for the made-up students. */
  readonly what: string;
  /** The places of what is told to be unmet, by the task's conditions, questions or entries. */
  readonly unmet: readonly number[];
  /** What is told of a choice: the reasons of what was chosen wrongly. */
  readonly reasons?: readonly string[];
}

/** How one task of a lesson is done, in as many ways as there are, and how it goes wrong. */
export interface TaskAttempts {
  readonly sheet: string;
  readonly task: string;
  /** Besides the solution that the sheet itself shows, or the answer that is right. */
  readonly right: readonly Attempt[];
  readonly wrong: readonly WrongAttempt[];
}

/** The answers to a choice, by their places. */
export const chosen = (...which: number[]) => ({ kind: 'choice' as const, chosen: which });

export const number = (value: number) => ({ kind: 'number' as const, value });

/** One guess for each question of a prediction. */
export const guesses = (...all: Guess[]) => ({ kind: 'prediction' as const, guesses: all });

export const moves = (
  item: string,
  to: Readonly<Record<number, readonly [number, number]>>,
): FigureCommand[] =>
  Object.entries(to).map(([index, place]) => ({
    name: 'moveControlPoint',
    item,
    index: Number(index),
    to: place,
  }));

export const pegMoves = (to: Readonly<Record<string, readonly [number, number]>>): FigureCommand[] =>
  Object.entries(to).map(([item, place]) => ({ name: 'moveReferencePoint', item, to: place }));
