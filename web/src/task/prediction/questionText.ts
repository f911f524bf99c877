import '../../text/enTask.js';
import { spansOf } from '@bogen/core/curve';
import { curveOf, evaluateFigure, type FigureDocument } from '@bogen/core/figure';
import type { ConditionResult, Guess, Question } from '@bogen/core/lesson';
import type { TFunction } from 'i18next';
import { nameOf, pointName } from '../../figure/scene/names.js';
import { sizeOf } from '../../text/notation.js';
import { shownAtMost, shownNumber, shownShort } from '../../text/number.js';

type T = TFunction<'texts'>;

/** What a prediction asks, as a sentence. */
export function questionText(question: Question, figure: FigureDocument, t: T): string {
  const item = nameOf(figure, question.item);
  switch (question.of) {
    case 'spans':
      return t('answer.questions.spans', { item });
    case 'place':
      return t('answer.questions.place', {
        point: pointName(figure, question.item, question.point, question.index),
      });
    case 'drawn':
      return t(`answer.questions.drawn.${question.line}`, { item });
    case 'count':
      return t(`answer.questions.count.${question.count}`, { item });
    case 'joint':
      return t('answer.questions.joint', {
        item,
        continuity: question.continuity,
        parameter: shownNumber(question.parameter, 1),
      });
  }
}

/** The number that is asked for as it is written: a degree may be written as an order. */
export const shownCount = (question: Question, value: number): number =>
  value + (isDegree(question) ? sizeOf(0) : 0);
const isDegree = (question: Question): boolean => question.of === 'count' && question.count === 'degree';

/** What came true, and how far a guess was from it. */
export function truthText(
  truth: Guess | undefined,
  { met, measured }: ConditionResult,
  figure: FigureDocument,
  question: Question,
  t: T,
): string {
  if (!truth || measured === null) return t('answer.truth.nothing');
  switch (truth.of) {
    case 'spans': {
      const names = truth.spans.map((span) => spanText(figure, question.item, span, t));
      const list = names.length > 0 ? names.join('; ') : t('answer.itemNone');
      return met
        ? t('answer.truth.spansRight', { list })
        : t('answer.truth.spans', { count: measured, list });
    }
    case 'place':
      return t('answer.truth.place', { distance: shownAtMost(measured) });
    case 'drawn':
      return t('answer.truth.drawn', { distance: shownAtMost(measured) });
    case 'count':
      return t('answer.truth.count', { value: shownCount(question, truth.value) });
    case 'joint':
      return t(truth.holds ? 'answer.truth.holds' : 'answer.truth.fails');
  }
}

/** A span of a curve by the parameters at which it begins and ends. */
export function spanText(figure: FigureDocument, item: string, index: number, t: T): string {
  const curve = curveOf(evaluateFigure(figure), item);
  const span = curve && spansOf(curve.knots, curve.degree)[index];
  return span
    ? t('answer.span', { start: shownShort(span.start), end: shownShort(span.end) })
    : String(index + 1);
}
