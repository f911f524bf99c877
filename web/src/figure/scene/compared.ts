import { sampleDistances, type Curve } from '@bogen/core/curve';
import { curveOf, looksOf } from '@bogen/core/figure';
import { samplesOf } from '../geometry/geometry.js';
import type { FigureScene } from './scene.js';

/** The other curve that the rail's curve is measured from, where there is one. */
export function comparedCurve({ document, evaluation }: FigureScene): Curve | undefined {
  const { compareWith } = looksOf(document);
  return compareWith === document.rail.item ? undefined : curveOf(evaluation, compareWith);
}

let known: { curve: Curve; other: Curve; distances: Float64Array } | undefined;

/** Distances of a curve's samples from another curve; the last ones are kept. */
export function distancesOf(curve: Curve, other: Curve): Float64Array {
  if (known?.curve !== curve || known.other !== other) {
    known = { curve, other, distances: sampleDistances(samplesOf(curve), samplesOf(other)) };
  }
  return known.distances;
}
