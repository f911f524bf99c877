import { distanceFromSegment } from '@bogen/core/curve';
import { curveOf, isCurveItem, type FigureItem, samplesOf } from '@bogen/core/figure';
import type { Pane } from './pane.js';
import { fromPixel, type Projection } from '../geometry/projection.js';
import type { FigureScene } from './scene.js';

/** Pixels within which a press means a curve. */
const reach = 9;

/** The curves under a pixel of a pane, the nearest first. */
export function curvesNear(
  { document, evaluation }: FigureScene,
  projection: Projection,
  pane: Pane,
  at: readonly [number, number],
): FigureItem[] {
  const place = fromPixel(projection, at);
  const near = document.items.flatMap((item) => {
    const curve =
      isCurveItem(item) && !item.hidden && pane.shows(item.id) ? curveOf(evaluation, item.id) : undefined;
    if (!curve) return [];
    const { coordinates, dimension } = samplesOf(curve);
    let least = Infinity;
    for (let k = dimension; k < coordinates.length; k += dimension) {
      const [from, to] = [k - dimension, k].map((start) => [coordinates[start]!, coordinates[start + 1]!]);
      least = Math.min(least, distanceFromSegment(place, from!, to!));
    }
    return least * projection.scale <= reach ? [{ item, least }] : [];
  });
  return near.sort((a, b) => a.least - b.least).map(({ item }) => item);
}
