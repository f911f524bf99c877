import { distance, largestDeviation, spansOf, CurveError, type Curve } from '@bogen/core/curve';
import {
  countsOf,
  curveOf,
  evaluateFigure,
  isCurveItem,
  itemOf,
  singleCommands,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import type { TFunction } from 'i18next';
import { pointName } from '../../figure/scene/names.js';
import { shownAtMost, shownNumber } from '../../text/number.js';

type T = TFunction<'texts'>;

/** Below this share of a curve's size a deviation is rounding. */
const roundingShare = 1e-9;

/**
 * A caption of what was done, with the facts that it changed: "Knot inserted at u = 0.40: one span more, shape
 * unchanged".
 */
export function captionOf(
  command: FigureCommand,
  before: FigureDocument,
  after: FigureDocument,
  t: T,
): string {
  const what = whatWasDone(command, before, after, t);
  const facts = changedFacts(itemOfCommand(command), before, after, t);
  return facts.length > 0 ? `${what}: ${facts.join(', ')}` : what;
}

/** The item that the first part of a command is about. */
function itemOfCommand(command: FigureCommand): string | undefined {
  const [first] = singleCommands(command);
  const { item } = (first ?? {}) as { readonly item?: string | { readonly id: string } };
  return typeof item === 'object' ? item.id : item;
}

function whatWasDone(command: FigureCommand, before: FigureDocument, after: FigureDocument, t: T): string {
  const singles = singleCommands(command);
  const moves = singles.filter(({ name }) => name === 'moveControlPoint' || name === 'moveEditPoint');
  if (moves.length > 1) return t('capture.movedSeveral', { count: moves.length });
  // What was done stands first; what it asks of others, such as locked joints, comes after it.
  const single = singles[0];
  if (!single) return '';
  const nameOf = (id: string): string => (itemOf(after, id) ?? itemOf(before, id))?.name ?? id;
  switch (single.name) {
    case 'operate':
      return operationCaption(single.operation, t);
    case 'moveControlPoint':
    case 'moveEditPoint': {
      const of = single.name === 'moveControlPoint' ? 'controlPoints' : 'editPoints';
      const item = itemOf(before, single.item);
      const from = item?.kind === 'curve' ? item.curve.points[single.index] : undefined;
      const name = pointName(before, single.item, of, single.index);
      return from && of === 'controlPoints'
        ? t('capture.moved', { name, distance: shownNumber(distance(from, single.to), -1) })
        : t('capture.changed', { name });
    }
    case 'moveKnot':
      return t('capture.knot', { from: shownNumber(single.knot), to: shownNumber(single.to) });
    case 'setWeight':
      return t('capture.weight', {
        name: pointName(before, single.item, 'controlPoints', single.index),
        weight: shownNumber(single.weight),
      });
    case 'setDegree':
      return t('capture.degree', {
        before: curveOf(evaluateFigure(before), single.item)?.degree ?? '–',
        after: single.degree,
      });
    case 'addItem': {
      const { item } = single;
      if (item.kind === 'built') return operationCaption(item.operation, t);
      const curve = isCurveItem(item) ? curveOf(evaluateFigure(after), item.id) : undefined;
      return curve
        ? t('capture.drawn', { name: item.name, degree: curve.degree, count: curve.points.length })
        : t('capture.placed', { name: item.name });
    }
    case 'removeItem':
      return t('capture.removed', { name: nameOf(single.item) });
    default: {
      const id = itemOfCommand(single);
      return id === undefined ? '' : t('capture.changed', { name: nameOf(id) });
    }
  }
}

function operationCaption(operation: { readonly name: string }, t: T): string {
  const values = Object.fromEntries(
    Object.entries(operation).map(([key, value]) => [
      key,
      typeof value === 'number' ? shownNumber(value) : value,
    ]),
  );
  return t(`capture.did.${operation.name}` as 'capture.did.insertKnot', { parameter: '', ...values });
}

/** What of an item's curve is otherwise than before: its counts, and how far it went. */
function changedFacts(id: string | undefined, before: FigureDocument, after: FigureDocument, t: T): string[] {
  if (id === undefined) return [];
  const [first, second] = [before, after].map((document) => curveOf(evaluateFigure(document), id));
  if (!first || !second) return [];
  const [was, is] = [countsOf(first), countsOf(second)];
  const facts: string[] = [];
  if (was.degree !== is.degree) facts.push(t('capture.degreeNow', { degree: is.degree }));
  const spans = is.spans - was.spans;
  if (spans !== 0)
    facts.push(t(spans > 0 ? 'capture.spansMore' : 'capture.spansFewer', { count: Math.abs(spans) }));
  const points = is.points - was.points;
  if (points !== 0 && spans === 0)
    facts.push(t(points > 0 ? 'capture.pointsMore' : 'capture.pointsFewer', { count: Math.abs(points) }));
  const moved = howFar(first, second, t);
  if (moved !== undefined) facts.push(moved);
  return facts;
}

function howFar(first: Curve, second: Curve, t: T): string | undefined {
  const size = Math.max(1, ...first.points.flat().map(Math.abs));
  try {
    const { distance: far } = largestDeviation(first, second);
    if (far <= roundingShare * size) return t('capture.shapeKept');
    if (first.points.length !== second.points.length)
      return t('capture.shapeMoved', { distance: shownAtMost(far) });
    const moved = movedSpans(first, second, roundingShare * size);
    return moved && t('capture.spansMoved', moved);
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/** How many spans of a curve moved, where its knots stayed. */
function movedSpans(
  first: Curve,
  second: Curve,
  tolerance: number,
): { moved: number; count: number } | undefined {
  if (first.degree !== second.degree || first.knots.some((knot, index) => knot !== second.knots[index]))
    return undefined;
  const spans = spansOf(first.knots, first.degree);
  const moved = spans.filter(
    ({ start, end }) => largestDeviation(first, second, [start, end]).distance > tolerance,
  );
  return { moved: moved.length, count: spans.length };
}
