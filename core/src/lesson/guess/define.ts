import type { Curve } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import type { Field } from '../../describe/describe.js';
import type { FigureDocument } from '../../figure/document/document.js';
import { curveOf, evaluateFigure, type Evaluation } from '../../figure/evaluation/evaluate.js';
import type { ConditionResult } from '../condition/define.js';

/** A figure before a change or after it. */
export interface StepSide {
  readonly document: FigureDocument;
  readonly evaluation: Evaluation;
}

/** A change of a figure, of which something is to be expected. */
export interface FigureStep {
  readonly before: StepSide;
  readonly after: StepSide;
}

/** The change from one figure to another. */
export const stepBetween = (before: FigureDocument, after: FigureDocument): FigureStep => ({
  before: { document: before, evaluation: evaluateFigure(before) },
  after: { document: after, evaluation: evaluateFigure(after) },
});

/**
 * A member of the registry of guesses: everything about it that is no interface. What comes true has the form of a
 * guess, so that both are shown and compared alike.
 */
export interface GuessMember<Question, Guess> {
  /** What is asked. */
  readonly description: Field;
  /** What is expected. */
  readonly guess: Field;
  /** What comes true; nothing where what is asked about is not there, or can't be measured. */
  readonly truth: (question: Question, step: FigureStep) => Guess | undefined;
  /** How far a guess is from what comes true. */
  readonly compare: (question: Question, guess: Guess, truth: Guess) => ConditionResult;
  /** What of a change can be asked, to choose from. */
  readonly offers: (item: string, step: FigureStep) => readonly Question[];
}

/** What is found on the curves of an item before and after; nothing where one is missing, or it can't be measured. */
export function onBoth<T>(
  item: string,
  { before, after }: FigureStep,
  find: (before: Curve, after: Curve) => T | undefined,
): T | undefined {
  const [first, second] = [curveOf(before.evaluation, item), curveOf(after.evaluation, item)];
  if (!first || !second) return undefined;
  try {
    return find(first, second);
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}
