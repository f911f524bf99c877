import { periodicCurve, type Curve } from '@bogen/core/curve';

/** A closed curve on six points about the middle of the view. */
export function circleByPeriodic(): Curve {
  const points = Array.from({ length: 6 }, (_, k) => [
    85 + 70 * Math.cos((k * Math.PI) / 3),
    37 + 45 * Math.sin((k * Math.PI) / 3),
  ]);
  return periodicCurve(3, points);
}
