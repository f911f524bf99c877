import { itemOf, type Field, type FigureDocument } from '@bogen/core/figure';
import { conditions, type Condition, type ConditionResult } from '@bogen/core/lesson';
import type { TFunction } from 'i18next';
import { pointName } from '../figure/scene/names.js';
import { shownNumber, shownScientific } from '../text/number.js';

/**
 * A condition as a sentence. What stands in it follows from the condition's description: items by their names,
 * numbers and places as they are, `count` for the whole number that it is about, and `point` for a point by its
 * letter and index.
 */
export function conditionText(condition: Condition, figure: FigureDocument, t: TFunction<'texts'>): string {
  const { fields } = conditions[condition.kind].description as {
    readonly fields: Readonly<Record<string, Field>>;
  };
  const given = condition as unknown as Readonly<Record<string, unknown>>;
  const values: Record<string, unknown> = {};
  for (const [key, field] of Object.entries(fields)) {
    const value = given[key];
    if (field.type === 'id') values[key] = itemOf(figure, value as string)?.name ?? value;
    else if (field.type === 'number') values[key] = value;
    else if (field.type === 'place')
      values[key] = (value as readonly number[]).map((coordinate) => shownNumber(coordinate, 1)).join(', ');
    else if (field.type === 'whole' && key !== 'index') values['count'] = value;
  }
  if ('of' in condition) {
    values['context'] = condition.of;
    if ('index' in condition)
      values['point'] = pointName(figure, condition.item, condition.of, condition.index);
  }
  return t(`sheet.conditions.${condition.kind}.text` as 'sheet.conditions.curveThroughPoint.text', values);
}

/** What was measured for a condition, with its unit. */
export function measuredText(
  condition: Condition,
  { measured }: ConditionResult,
  t: TFunction<'texts'>,
): string {
  if (measured === null) return t('sheet.measured.none');
  switch (conditions[condition.kind].quantity) {
    case 'count':
      return t('sheet.measured.count', { value: measured });
    case 'curvature':
      return t('sheet.measured.curvature', { value: shownScientific(measured) });
    case 'length':
      return t('sheet.measured.length', { value: shownNumber(measured, 3) });
  }
}
