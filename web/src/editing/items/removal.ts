import {
  isCurveItem,
  type FigureCommand,
  type FigureDocument,
  type SingleFigureCommand,
} from '@bogen/core/figure';

/**
 * The command that deletes items, in an order in which what is built goes first. Where the curve on the rail goes, the
 * last of the others that can be worked on takes its place.
 */
export function removal({ items, rail }: FigureDocument, ids: readonly string[]): FigureCommand {
  const commands = ids.map((item): SingleFigureCommand => ({ name: 'removeItem', item }));
  if (rail.item !== null && ids.includes(rail.item)) {
    const next = items.findLast(
      (item) =>
        isCurveItem(item) && !ids.includes(item.id) && !item.hidden && !(item.kind === 'curve' && item.faint),
    );
    if (next) commands.push({ name: 'setRail', rail: { ...rail, item: next.id } });
  }
  return commands.length === 1 ? commands[0]! : { name: 'batch', commands };
}
