import { itemOf, sourcesOf, type FigureItem } from '@bogen/core/figure';
import type { FigureScene } from '../../figure/scene/scene.js';
import i18next from 'i18next';
import { removal } from './removal.js';

/**
 * Deletes the items whose points are all selected, or the curve on the rail where nothing is selected.
 * What others are built from stays, and it is said why.
 */
export function removeSelected(scene: FigureScene, say: (text: string) => void): void {
  const { document, selected, host } = scene;
  const ids = new Set(selected.grips.map(({ item }) => item));
  if (ids.size === 0 && document.rail.item !== null) ids.add(document.rail.item);
  const items = [...ids].flatMap((id): FigureItem[] => {
    const item = itemOf(document, id);
    return item && !item.locked ? [item] : [];
  });
  if (items.length === 0) return;
  for (const item of items) {
    const user = document.items.find((other) => !ids.has(other.id) && sourcesOf(other).includes(item.id));
    if (user) {
      say(i18next.t('items.inUse', { other: user.name }));
      return;
    }
  }
  // What is built goes before what it is built from.
  const depth = (item: FigureItem): number =>
    Math.max(0, ...sourcesOf(item).map((id) => 1 + depth(itemOf(document, id)!)));
  const ordered = items.toSorted((a, b) => depth(b) - depth(a));
  scene.selected.select([]);
  host.do(
    removal(
      document,
      ordered.map(({ id }) => id),
    ),
  );
  say(i18next.t('items.removed', { name: items.map(({ name }) => name).join(', ') }));
}
