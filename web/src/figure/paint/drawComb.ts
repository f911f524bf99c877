import { type Curve } from '@bogen/core/curve';
import { curveOf, isShown, samplesOf, addSpans } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { largestCurvature } from '../geometry/geometry.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import type { Context } from './spanPart.js';

/** Curvature as teeth across the curve, `length` pixels for a curvature of one. */
export function drawComb(
  context: Context,
  curve: Curve,
  projection: Projection,
  palette: Palette,
  strong: boolean,
  length: number,
  density: number,
  runs: readonly (readonly [number, number])[],
): void {
  const samples = samplesOf(curve);
  const { coordinates, tangents, curvature, dimension, perSpan } = samples;
  if (dimension !== 2) return;
  // Closer than this the teeth run into one another.
  const every = Math.max(1, Math.round(curvature.length / (260 * density)));
  // The tooth points away from the centre of curvature.
  const hair = (sample: number): number =>
    Math.max(-longestHair, Math.min(longestHair, curvature[sample]! * length));
  const tipX = (sample: number): number =>
    projection.screenX(coordinates[2 * sample]!) + tangents[2 * sample + 1]! * hair(sample);
  const tipY = (sample: number): number =>
    projection.screenY(coordinates[2 * sample + 1]!) + tangents[2 * sample]! * hair(sample);
  context.strokeStyle = strong ? palette.ink : palette.strong;
  context.lineWidth = 0.75;
  context.globalAlpha = 0.4;
  context.beginPath();
  for (const [from, to] of runs) {
    for (let sample = from; sample <= to; sample++) {
      if (sample % (perSpan + 1) !== perSpan && (sample % (perSpan + 1)) % every !== 0) continue;
      context.moveTo(
        projection.screenX(coordinates[2 * sample]!),
        projection.screenY(coordinates[2 * sample + 1]!),
      );
      context.lineTo(tipX(sample), tipY(sample));
    }
  }
  context.stroke();
  context.globalAlpha = 0.8;
  context.lineWidth = 1;
  context.setLineDash(strong ? [] : [4, 3]);
  context.beginPath();
  for (const [from, to] of runs) {
    context.moveTo(tipX(from), tipY(from));
    addSpans(context, samples, from, to, tipX, tipY);
  }
  context.stroke();
  context.setLineDash([]);
  context.globalAlpha = 1;
}

/**
 * Pixels of a tooth for a curvature of one, the same for all curves so that their combs can be compared. The
 * longest tooth has 28 to 56 pixels when nothing moves; a drag keeps the scale with which it began, so that
 * a peak is seen to grow.
 */
export function combLength(scene: FigureScene): number {
  const known = combLengths.get(scene);
  if (known !== undefined && scene.host.motion() !== 'rest') return known;
  const { document, evaluation } = scene;
  let largest = 0;
  for (const item of document.items) {
    const isFaint = item.kind === 'curve' && item.faint;
    const combed = isShown(document, 'comb', item) && !isFaint && !item.hidden;
    const curve = combed ? curveOf(evaluation, item.id) : undefined;
    if (curve) largest = Math.max(largest, largestCurvature(curve));
  }
  const length = largest === 0 ? 0 : 56 / 2 ** Math.ceil(Math.log2(largest));
  combLengths.set(scene, length);
  return length;
}

const combLengths = new WeakMap<FigureScene, number>();

/** Where a curve almost turns back its teeth would cross the whole figure. */
const longestHair = 240;
