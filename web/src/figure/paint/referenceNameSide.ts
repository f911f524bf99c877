import type { Point } from '@bogen/core/curve';
import { isShown, labelDirection } from '@bogen/core/figure';
import type { FigureScene } from '../scene/scene.js';

/**
 * On which side a reference point has its name, below it: on the right, unless a control point lies on it
 * that has its own name there.
 */
export function referenceNameSide({ document, evaluation }: FigureScene, [x, y]: Point): 'left' | 'right' {
  for (const item of document.items) {
    const result = evaluation.items.get(item.id);
    if (item.hidden || result?.status !== 'curve') continue;
    // What is built or a shape shows its control points on the rail alone.
    if (item.kind !== 'curve' && document.rail.item !== item.id) continue;
    if (!isShown(document, 'controlPoints', item) || !isShown(document, 'labels', item)) continue;
    const { points } = result.curve;
    const index = points.findIndex((point) => point[0] === x && point[1] === y);
    if (index < 0) continue;
    const [awayX, awayY] = labelDirection(points, index);
    if (awayY < -0.2 && awayX > -0.3) return 'left';
  }
  return 'right';
}
