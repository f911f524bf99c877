import { itemOf, type Condition, type ConditionResult, type FigureDocument } from '@bogen/core';
import type { TFunction } from 'i18next';
import { letterOf } from '../figure/names.js';
import { shownNumber, shownScientific } from '../text/number.js';

/** A condition as a sentence. */
export function conditionText(condition: Condition, figure: FigureDocument, t: TFunction<'texts'>): string {
  const name = (id: string): string => itemOf(figure, id)?.name ?? id;
  const curve = name(condition.item);
  switch (condition.kind) {
    case 'curveThroughPoint':
      return t('sheet.conditions.curveThroughPoint', {
        curve,
        target: name(condition.target),
        tolerance: condition.tolerance,
      });
    case 'pointAtPlace':
      return t('sheet.conditions.pointAtPlace', {
        point: `${letterOf(condition.of)}${condition.index}`,
        place: condition.place.map((coordinate) => shownNumber(coordinate, 1)).join(', '),
        tolerance: condition.tolerance,
      });
    case 'pointsUnmoved':
      return condition.of === 'editPoints'
        ? t('sheet.conditions.pointsUnmovedEdit', { tolerance: condition.tolerance })
        : t('sheet.conditions.pointsUnmovedControl', { tolerance: condition.tolerance });
    case 'spansUnmoved':
      return t('sheet.conditions.spansUnmoved', { count: condition.atLeast, curve });
    case 'curvatureAtMost':
      return t('sheet.conditions.curvatureAtMost', { curve, limit: condition.limit });
    case 'inflectionsAtMost':
      return t('sheet.conditions.inflectionsAtMost', { count: condition.atMost, curve });
  }
}

/** What was measured for a condition, with its unit. */
export function measuredText(
  condition: Condition,
  { measured }: ConditionResult,
  t: TFunction<'texts'>,
): string {
  if (measured === null) return t('sheet.measured.none');
  switch (condition.kind) {
    case 'spansUnmoved':
    case 'inflectionsAtMost':
      return t('sheet.measured.count', { value: measured });
    case 'curvatureAtMost':
      return t('sheet.measured.curvature', { value: shownScientific(measured) });
    default:
      return t('sheet.measured.distance', { value: shownNumber(measured, 3) });
  }
}
