import {
  editPoints,
  guaranteedContinuity,
  lengthOfCurve,
  nearestFinder,
  withPositiveForm,
  type Curve,
  type EditPoint,
} from '@bogen/core/curve';
import { evaluateFigure, memoise, samplesOf, type Evaluation, type FigureDocument } from '@bogen/core/figure';

/** What the items of a document come to, where there is nothing before it that would save work. */
export const evaluationOf: (document: FigureDocument) => Evaluation = memoise((document) =>
  evaluateFigure(document),
);

export const editPointsOf: (curve: Curve) => readonly EditPoint[] = memoise((curve) => {
  try {
    return editPoints(curve);
  } catch {
    // An unclamped knot vector has none inside its domain; with weights of zero and below there are none.
    return [];
  }
});

/** The arc length; nothing of a curve that runs to infinity. */
export function lengthOf(curve: Curve): number | undefined {
  const measured = withPositiveForm(curve);
  return measured && measuredLength(measured);
}

const measuredLength: (curve: Curve) => number = memoise((curve) => lengthOfCurve(curve, 1e-9));

/** The largest absolute curvature among a curve's samples. */
export const largestCurvature: (curve: Curve) => number = memoise((curve) => {
  let largest = 0;
  for (const value of samplesOf(curve).curvature) largest = Math.max(largest, Math.abs(value));
  return largest;
});

/** Which of a curve's points is nearest to a place; prepared once for all moves of a pull. */
export const nearestOn = memoise((curve: Curve) => nearestFinder(curve));

export const continuityOf = memoise((curve: Curve) => guaranteedContinuity(curve));
