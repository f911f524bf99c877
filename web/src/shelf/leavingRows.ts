import type { useTranslation } from '../text/text.js';
import type { ShelfHands } from './hands.js';
import type { MenuRow } from '../ui/Menu.js';
import type { ShelfChange } from './useShelf.js';

/**
 * How something leaves the shelf: put away, or deleted, each of which can be taken back.
 * @param to the change by which it is given another standing
 */
export function leavingRows(
  title: string,
  to: (change: { archived?: boolean; deleted?: boolean }) => ShelfChange,
  hands: ShelfHands,
  t: ReturnType<typeof useTranslation>['t'],
): readonly MenuRow[] {
  return [
    {
      label: t('shelf.putAway'),
      act: () =>
        hands.does(to({ archived: true }), {
          words: t('shelf.isPutAway', { title }),
          undo: to({ archived: false }),
        }),
    },
    {
      label: t('shelf.delete'),
      act: () =>
        hands.does(to({ deleted: true }), {
          words: t('shelf.isDeleted', { title }),
          undo: to({ deleted: false }),
        }),
    },
  ];
}
