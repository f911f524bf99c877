import { itemOf, type FigureDocument, type Measure, type Target } from '@bogen/core/figure';
import type { TFunction } from 'i18next';
import { pointName } from '../../figure/scene/names.js';
import { shownNumber } from '../../text/number.js';

type T = TFunction<'texts'>;

const nameOf = (document: FigureDocument, id: string): string => itemOf(document, id)?.name ?? id;

/** What a measure measures, in words. */
export function measureText(measure: Measure, document: FigureDocument, t: T): string {
  const item = nameOf(document, measure.item);
  switch (measure.of) {
    case 'fact':
      return t('prose.measures.fact', { fact: t(`facts.names.${measure.fact}`), item });
    case 'coordinate': {
      const axis = 'xyz'[measure.axis] ?? '';
      if (measure.point === 'referencePoint') return t('prose.measures.place', { axis, item });
      const point = pointName(document, measure.item, measure.point, measure.index);
      return t('prose.measures.coordinate', { axis, point, item });
    }
    case 'weight': {
      const point = pointName(document, measure.item, 'controlPoints', measure.index);
      return t('prose.measures.weight', { point, item });
    }
    case 'deviation':
      return t('prose.measures.deviation', { item, from: nameOf(document, measure.from) });
    case 'knot':
    case 'continuity':
    case 'basis':
      return t(`prose.measures.${measure.of}`, { index: measure.index, item });
    case 'curvePoint':
      return t('prose.measures.curvePoint', { axis: 'xyz'[measure.axis] ?? '', item });
    case 'smoothness':
    case 'roundness':
    case 'curvature':
    case 'cursor':
      return t(`prose.measures.${measure.of}`, { item });
  }
}

/** What words point at, in words. */
export function targetText(target: Target, document: FigureDocument, t: T): string {
  const item = nameOf(document, target.item);
  switch (target.of) {
    case 'item':
      return t('prose.targets.item', { item });
    case 'controlPoint':
      return t('prose.targets.point', {
        point: pointName(document, target.item, 'controlPoints', target.index),
        item,
      });
    case 'editPoint':
      return t('prose.targets.point', {
        point: pointName(document, target.item, 'editPoints', target.index),
        item,
      });
    case 'knot':
      return t('prose.targets.knot', { value: shownNumber(target.value, 1), item });
    case 'span':
      return t('prose.targets.span', { number: target.index + 1, item });
  }
}
