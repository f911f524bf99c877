import { samplesOf, distancesOf } from '@bogen/core/figure';
import { nearestPoint, type Curve } from '@bogen/core/curve';
import { shownScientific } from '../../text/number.js';
import type { Palette } from '../../theme/theme.js';
import { comparedCurve } from '../scene/compared.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';

/**
 * The deviation as a band behind the curve: where both agree it is thin and pale, where they differ most
 * it is broad and in the accent, with the distance beside it. Breadth says it without the colour.
 */
export function drawDeviation(
  context: CanvasRenderingContext2D,
  scene: FigureScene,
  curve: Curve,
  projection: Projection,
  palette: Palette,
): void {
  const other = comparedCurve(scene);
  if (!other || curve.points[0]!.length !== 2 || other.points[0]!.length !== 2) return;
  const { coordinates } = samplesOf(curve);
  const distances = distancesOf(curve, other);
  let worst = 0;
  for (let k = 1; k < distances.length; k++) if (distances[k]! > distances[worst]!) worst = k;
  const largest = distances[worst]!;
  const place = (sample: number): [number, number] =>
    projection.toScreen([coordinates[2 * sample]!, coordinates[2 * sample + 1]!]);
  // From pale to strong, so that what is strong lies above; neighbours of one step are one path.
  const steps = 16;
  const stepOf = (k: number): number =>
    largest > 0
      ? Math.min(steps - 1, Math.floor(((distances[k]! + distances[k - 1]!) / 2 / largest) * steps))
      : 0;
  context.lineCap = 'round';
  for (let step = 0; step < steps; step++) {
    context.beginPath();
    for (let k = 1; k < distances.length; k++) {
      if (stepOf(k) !== step) continue;
      if (k === 1 || stepOf(k - 1) !== step) context.moveTo(...place(k - 1));
      context.lineTo(...place(k));
    }
    const share = step / (steps - 1);
    context.strokeStyle =
      step === 0
        ? palette.line
        : `color-mix(in srgb, ${palette.accent} ${Math.round(18 + 62 * share)}%, ${palette.sheet})`;
    context.lineWidth = 6 + 14 * share;
    context.stroke();
  }
  if (!(largest > 0)) return;
  const [x, y] = place(worst);
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.25;
  context.beginPath();
  context.moveTo(x, y);
  context.lineTo(x + 18, y - 18);
  context.stroke();
  context.font = '12px "JetBrains Mono Variable", monospace';
  context.textAlign = 'left';
  context.textBaseline = 'middle';
  context.lineWidth = 4;
  context.strokeStyle = palette.sheet;
  // The samples of the other curve are joined by chords; the number is measured on the curve itself.
  const at = [coordinates[2 * worst]!, coordinates[2 * worst + 1]!];
  const text = `${shownScientific(nearestPoint(other, at).distance)} mm`;
  context.strokeText(text, x + 21, y - 20);
  context.fillStyle = palette.ink;
  context.fillText(text, x + 21, y - 20);
}
