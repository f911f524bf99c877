import { curveOf, type FigureItem, type SingleFigureCommand } from '@bogen/core/figure';
import { freshId } from './freshId.js';
import type { FigureScene } from './scene.js';

/** The command that keeps a faint copy of a curve as it is now, to compare with: behind everything else. */
export function keptCopy(
  scene: FigureScene,
  item: FigureItem,
  name: string,
): SingleFigureCommand | undefined {
  const curve = curveOf(scene.evaluation, item.id);
  if (!curve) return undefined;
  const copy: FigureItem = { id: freshId(scene.document), name, kind: 'curve', curve, faint: true };
  return { name: 'addItem', item: copy, at: 0 };
}
