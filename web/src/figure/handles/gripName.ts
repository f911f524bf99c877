import type { FigureDocument, Grip } from '@bogen/core/figure';
import type { TFunction } from 'i18next';
import { nameOf, pointName } from '../scene/names.js';

/** What a grip is called where it has to be told from others. */
export function gripName(document: FigureDocument, grip: Grip, t: TFunction<'texts'>): string {
  const item = nameOf(document, grip.item);
  if (grip.of === 'referencePoint') return t('grips.referencePoint', { item });
  if (grip.of === 'handle') return t('grips.handle', { name: handleName(grip.key, t), item });
  const name = pointName(document, grip.item, grip.of, grip.index);
  return t(grip.of === 'controlPoints' ? 'grips.controlPoint' : 'grips.editPoint', { name, item });
}

const handleWords = [
  'start',
  'end',
  'through',
  'centre',
  'rim',
  'axisX',
  'axisY',
  'corner',
  'opposite',
  'place',
] as const;

/** A handle's key in words: a chain's nodes are counted, their handles stand before or after them. */
export function handleName(key: string, t: TFunction<'texts'>): string {
  const word = handleWords.find((name) => name === key);
  if (word) return t(`grips.handles.${word}`);
  const [index, side] = key.split('/') as [string, 'before' | 'after' | undefined];
  if (side) return t(`grips.handles.${side}`, { index });
  return t('grips.handles.node', { index });
}
