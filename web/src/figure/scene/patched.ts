import type { FigureItem, PatchItem } from '@bogen/core/figure';

/** What an item may carry or leave out; `false` and `undefined` leave it out. */
type Attributes = Omit<PatchItem['set'], 'name'>;

/** The command that changes attributes of an item and leaves everything else of it as it is. */
export function patched(item: FigureItem, attributes: Attributes): PatchItem {
  const keys = Object.keys(attributes) as (keyof Attributes)[];
  const isLeftOut = (key: keyof Attributes): boolean =>
    attributes[key] === undefined || (attributes[key] === false && key !== 'flipped');
  return {
    name: 'patchItem',
    item: item.id,
    set: Object.fromEntries(keys.filter((key) => !isLeftOut(key)).map((key) => [key, attributes[key]])),
    clear: keys.filter(isLeftOut) as unknown as PatchItem['clear'],
  };
}
