import { pointAt, spansOf, type Curve, type Point } from '@bogen/core/curve';
import { curveOf, itemOf, type Target } from '@bogen/core/figure';
import type { FigureScene } from '../figure/scene/scene.js';
import type { Highlight } from '../figure/scene/sceneParts.js';
import { editPointsOf } from '../figure/geometry/geometry.js';

/** What lights up in the figure for things that words mean: places, and lines along curves. */
export function highlightOf(targets: readonly Target[], scene: FigureScene): Highlight {
  const places: Point[] = [];
  const lines: (readonly [Point, Point])[] = [];
  for (const target of targets) {
    const curve = curveOf(scene.evaluation, target.item);
    if (target.of === 'item' && !curve) {
      const item = itemOf(scene.document, target.item);
      if (item?.kind === 'point') places.push(item.at);
      continue;
    }
    if (!curve) continue;
    switch (target.of) {
      case 'controlPoint':
        places.push(...(curve.points[target.index] ? [curve.points[target.index]!] : []));
        break;
      case 'editPoint': {
        const point = editPointsOf(curve)[target.index]?.point;
        if (point) places.push(point);
        break;
      }
      case 'knot':
        if (target.value >= curve.knots[0]! && target.value <= curve.knots.at(-1)!)
          places.push(pointAt(curve, target.value));
        break;
      case 'span': {
        const span = spansOf(curve.knots, curve.degree)[target.index];
        if (span) lines.push(...along(curve, span.start, span.end));
        break;
      }
      case 'item':
        for (const { start, end } of spansOf(curve.knots, curve.degree))
          lines.push(...along(curve, start, end));
    }
  }
  return { places, lines };
}

function along(curve: Curve, start: number, end: number): (readonly [Point, Point])[] {
  const steps = 16;
  const points = Array.from({ length: steps + 1 }, (_, k) =>
    pointAt(curve, k === steps ? end : start + ((end - start) * k) / steps, k === steps ? 'left' : 'right'),
  );
  return points.slice(1).map((point, index) => [points[index]!, point]);
}
