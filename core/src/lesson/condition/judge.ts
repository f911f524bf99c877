import { spend } from '../../curve/effort.js';
import { CurveError } from '../../curve/error.js';
import { referencesIn } from '../../describe/ids.js';
import { itemOf, type FigureDocument } from '../../figure/document/document.js';
import { curveOf, evaluateFigure, type Evaluation } from '../../figure/evaluation/evaluate.js';
import {
  conditions,
  isGroup,
  type Condition,
  type ConditionKind,
  type SingleCondition,
} from './conditions.js';
import { notThere, type ConditionResult, type Judged } from './define.js';

/** A figure with its geometry. */
export type Evaluated = readonly [FigureDocument, Evaluation];

/** A figure whose geometry is calculated only where a condition asks for it: most look at what there is now. */
export type AtStart = readonly [FigureDocument, () => Evaluation];

export function atStart(document: FigureDocument): AtStart {
  let evaluation: Evaluation | undefined;
  return [document, () => (evaluation ??= evaluateFigure(document))];
}

/** A condition asked for a curve that the figure had not when it was given. */
class NotAtStart extends Error {}

/**
 * Judges one condition of a task by calculation.
 * @param start the figure as it was given
 * @param now the figure as the reader has it
 */
export function judgeCondition(condition: Condition, start: AtStart, now: Evaluated): ConditionResult {
  if (!isGroup(condition)) return judgedAlone(condition, start, now);
  const { kind, conditions: parts } = condition;
  const results = parts.map((part) => judgeCondition(part, start, now));
  const met = results.filter((result) => result.met).length;
  // What was not measured is not known not to be met.
  const tooMuch = kind !== 'any' && results.some((result) => result.tooMuch);
  if (tooMuch) return { ...notThere, tooMuch };
  return { met: kind === 'all' ? met === parts.length : kind === 'any' ? met > 0 : met === 0, measured: met };
}

function judgedAlone(
  condition: SingleCondition,
  start: AtStart,
  [document, evaluation]: Evaluated,
): ConditionResult {
  const curve = curveOf(evaluation, condition.item);
  const item = itemOf(document, condition.item);
  if (!curve || !item) return notThere;
  const after: Judged = { document, evaluation, curve, item };
  const { judge } = conditions[condition.kind] as {
    readonly judge: (condition: SingleCondition, now: Judged, start: Judged) => ConditionResult;
  };
  try {
    spend(100 * after.curve.points.length);
    return judge(condition, after, judgedAtStart(condition.item, start));
  } catch (error) {
    if (error instanceof NotAtStart) return notThere;
    // What can't be measured, as at a pole or of a curve with weights below zero, is not met.
    if (error instanceof CurveError)
      return error.kind === 'effort' ? { ...notThere, tooMuch: true } : notThere;
    throw error;
  }
}

const judgedAtStart = (id: string, [document, evaluation]: AtStart): Judged => ({
  document,
  get evaluation() {
    return evaluation();
  },
  get curve() {
    return curveOf(evaluation(), id) ?? missing();
  },
  get item() {
    return itemOf(document, id) ?? missing();
  },
});
function missing(): never {
  throw new NotAtStart();
}

/**
 * A condition of a kind on a curve of a figure, with its blanks filled by what is measured now; nothing where the item
 * has no curve, this can't be measured of it, or something else is missing that it is about.
 * @param cursor a parameter that one looks at
 */
export function firstCondition(
  kind: ConditionKind,
  document: FigureDocument,
  id: string,
  cursor: number,
  evaluation: Evaluation = evaluateFigure(document),
): SingleCondition | undefined {
  const item = itemOf(document, id);
  const curve = curveOf(evaluation, id);
  if (!item || !curve) return undefined;
  const { first } = conditions[kind] as { readonly first: (now: Judged, cursor: number) => object };
  try {
    const made = {
      kind,
      item: id,
      ...first({ document, evaluation, curve, item }, cursor),
    } as SingleCondition;
    // It may need a second curve, or a reference point, that is not there.
    const isWhole = referencesIn(conditions[kind].description, made).every((other) =>
      itemOf(document, other),
    );
    return isWhole ? made : undefined;
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/**
 * The same condition on other things that it could be about, such as the curve's other control points.
 * @param most how many are given at most
 */
export function otherConditions(
  kind: ConditionKind,
  document: FigureDocument,
  id: string,
  evaluation: Evaluation,
  most: number,
): readonly SingleCondition[] {
  const item = itemOf(document, id);
  const curve = curveOf(evaluation, id);
  if (!item || !curve) return [];
  const { others } = conditions[kind] as { readonly others?: (now: Judged) => readonly object[] };
  const made = others?.({ document, evaluation, curve, item }) ?? [];
  return made.slice(0, most).map((blanks) => ({ kind, item: id, ...blanks }) as SingleCondition);
}
