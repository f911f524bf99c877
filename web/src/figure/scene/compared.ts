import type { Curve } from '@bogen/core/curve';
import { curveOf, looksOf } from '@bogen/core/figure';
import type { FigureScene } from './scene.js';

/** The other curve that the rail's curve is measured from, where there is one. */
export function comparedCurve({ document, evaluation }: FigureScene): Curve | undefined {
  const { compareWith } = looksOf(document);
  return compareWith === document.rail.item ? undefined : curveOf(evaluation, compareWith);
}
