import '../text/enTask.js';
import { itemOf, type Field, type FigureDocument, type OfferedOperation } from '@bogen/core/figure';
import { conditions, isGroup, type Condition, type ConditionResult, type Quantity } from '@bogen/core/lesson';
import type { TFunction } from 'i18next';
import { pointName } from '../figure/scene/names.js';
import { inDigits, shownNumber, shownScientific } from '../text/number.js';
import { notation } from '../text/notation.js';

/**
 * A condition as a sentence. What stands in it follows from the condition's description: items by their names,
 * numbers and places as they are, `count` for the whole number that it is about, and `point` for a point by its
 * letter and index.
 */
export function conditionText(condition: Condition, figure: FigureDocument, t: TFunction<'texts'>): string {
  if (isGroup(condition)) {
    const parts = condition.conditions.map((part) => conditionText(part, figure, t));
    return t(`checks.groups.${condition.kind}`, { parts: parts.join('; ') });
  }
  const { fields } = conditions[condition.kind].description as {
    readonly fields: Readonly<Record<string, Field>>;
  };
  const given = condition as unknown as Readonly<Record<string, unknown>>;
  const values: Record<string, unknown> = {};
  for (const [key, field] of Object.entries(fields)) {
    if (key === 'kind') continue;
    const value = given[key];
    if (field.type === 'id') values[key] = itemOf(figure, value as string)?.name ?? value;
    else if (field.type === 'number') values[key] = Number((value as number).toPrecision(6));
    else if (field.type === 'place')
      values[key] = (value as readonly number[]).map((coordinate) => shownNumber(coordinate, -1)).join(', ');
    else if (field.type === 'whole' && key !== 'index') values['count'] = value;
    // Signs such as C1 stand as they are; another choice has a sentence of its own.
    else if (field.type === 'choice' && field.of === 'operation')
      values[key] = t(`operations.${value as OfferedOperation}`);
    else if (field.type === 'choice') values[field.signs ? key : 'context'] = value;
    else if (field.type === 'list') values[key] = listText(value as readonly unknown[]);
  }
  if ('index' in condition) {
    const of = 'of' in condition ? condition.of : 'controlPoints';
    values['point'] = pointName(figure, condition.item, of, condition.index);
  }
  return t(`checks.conditions.${condition.kind}.text` as 'checks.conditions.curveThroughPoint.text', values);
}

/** What was measured for a condition, with its unit. */
export function measuredText(
  condition: Condition,
  { measured, tooMuch }: ConditionResult,
  t: TFunction<'texts'>,
): string {
  if (tooMuch) return t('checks.measured.tooMuch');
  if (measured === null) return t('checks.measured.none');
  if (isGroup(condition))
    return t('checks.measured.parts', { met: measured, count: condition.conditions.length });
  const { quantity } = conditions[condition.kind];
  if (quantity === 'holds') return t(measured > 0 ? 'checks.measured.holds' : 'checks.measured.fails');
  return t(`checks.measured.${quantity}`, { value: shownMeasure[quantity](measured) });
}

/**
 * In which direction to go where a condition is not met, and how far; nothing where that can't be said, as of a group, or of
 * what has no direction.
 */
export function directionText(
  condition: Condition,
  { met, off, toward }: ConditionResult,
  t: TFunction<'texts'>,
): string | undefined {
  if (met || isGroup(condition)) return undefined;
  if (toward) return towardText(toward, t);
  const { quantity } = conditions[condition.kind];
  if (off === undefined || quantity === 'holds') return undefined;
  const value = shownMeasure[quantity](Math.abs(off));
  return t(`answer.off.${quantity}.${off > 0 ? 'more' : 'less'}`, { value });
}

/** A way in the plane in words: so far to the right, so far up. */
function towardText([x = 0, y = 0]: readonly number[], t: TFunction<'texts'>): string {
  const across = t(x > 0 ? 'answer.toward.right' : 'answer.toward.left', {
    value: shownNumber(Math.abs(x)),
  });
  const along = t(y > 0 ? 'answer.toward.up' : 'answer.toward.down', { value: shownNumber(Math.abs(y)) });
  const least = 0.5 * 10 ** -notation().decimals;
  const way =
    Math.abs(x) < least
      ? along
      : Math.abs(y) < least
        ? across
        : t('answer.toward.and', { first: across, second: along });
  return t('answer.toward.go', { way });
}

/** How a measured number is written, by what it counts in. */
const shownMeasure: Readonly<Record<Exclude<Quantity, 'holds'>, (value: number) => string>> = {
  count: String,
  degree: String,
  order: (order) => (order < 0 ? '–' : String(order)),
  length: (length) => inDigits(length, Math.max(3, notation().decimals + 1)),
  area: (area) => shownNumber(area, -1),
  degrees: (angle) => shownNumber(angle),
  curvature: shownScientific,
  share: shownScientific,
  number: shownScientific,
};

/** The most numbers of a list that stand in a sentence. */
const mostListed = 12;

/** A list of numbers in a sentence. */
function listText(values: readonly unknown[]): string {
  const shown = values
    .slice(0, mostListed)
    .map((value) => (typeof value === 'number' ? String(Number(value.toPrecision(4))) : '…'));
  return `${shown.join(', ')}${values.length > mostListed ? ', …' : ''}`;
}
