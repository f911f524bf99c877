import type { Curve, Point } from '../../curve/curve.js';
import { distinctKnots, domainOf } from '../../curve/knotVector.js';
import { distanceFromMirror, type Mirror } from '../../curve/mirror.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { addScaled, unit } from '../../curve/vector.js';
import { texAt, texControlPoint } from '../../notation/neutralTex.js';
import { mostLines, tex, texAfter, texPoint, texShare, type CalculationLine } from './calculation.js';

/** A line for each control point: where it goes, and how. */
function forEachPoint(
  curve: Curve,
  step: CalculationLine['step'],
  made: (point: Point, index: number) => { readonly to: Point; readonly how: string },
): CalculationLine[] {
  return curve.points.slice(0, Math.min(distinctPointCount(curve), mostLines)).map((point, index) => {
    const { to, how } = made(point, index);
    return {
      step,
      values: { index },
      tex: String.raw`\overline{\mathbf{${texControlPoint}}}_{${texAt(index)}} = ${how} = ${texPoint(to)}`,
      places: [to, point],
      legs: [[point, to]],
      points: [index],
    };
  });
}

/** A curve moved aside: every control point by one vector. */
export function movedAside(curve: Curve, by: Point): readonly CalculationLine[] {
  return forEachPoint(curve, 'movedPoint', (point) => ({
    to: addScaled(point, by),
    how: String.raw`${texPoint(point)} + ${texPoint(by)}`,
  }));
}

/** A mirror image: every control point by twice its distance from the line, across it (P&T 6.1). */
export function mirrored(curve: Curve, mirror: Mirror): readonly CalculationLine[] {
  const normal = unit(mirror.normal)!;
  return forEachPoint(curve, 'mirroredPoint', (point) => {
    const distance = distanceFromMirror(mirror, point);
    return {
      to: addScaled(point, normal, -2 * distance),
      how: String.raw`${texPoint(point)} - 2\cdot ${texAfter(distance)}\,${texPoint(normal)}`,
    };
  });
}

/** A curve run through from its other end: points and knots in the opposite order (P&T 6.2). */
export function reversed(curve: Curve): readonly CalculationLine[] {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const { points } = curve;
  const last = points.length - 1;
  const ofPoints = forEachPoint(curve, 'reversedPoint', (_, index) => ({
    to: points[last - index]!,
    how: String.raw`\mathbf{${texControlPoint}}_{${texAt(last - index)}}`,
  }));
  const ofKnots = distinctKnots(curve.knots, curve.degree).map(({ value }): CalculationLine => ({
    step: 'mappedKnot',
    values: { u: value },
    tex: String.raw`${tex(start)} + ${texAfter(end)} - ${texAfter(value)} = ${tex(start + end - value)}`,
    places: [],
    legs: [],
    points: [],
  }));
  return [...ofPoints, ...ofKnots].slice(0, mostLines);
}

/** Another domain: every knot keeps its share of it (P&T 6.2). */
export function mappedKnots(curve: Curve, start: number, end: number): readonly CalculationLine[] {
  const [from, to] = domainOf(curve.knots, curve.degree);
  return distinctKnots(curve.knots, curve.degree)
    .slice(0, mostLines)
    .map(({ value }): CalculationLine => ({
      step: 'mappedKnot',
      values: { u: value },
      tex: String.raw`${tex(start)} + (${tex(end)} - ${texAfter(start)})\cdot ${texShare(value, from, to)} = ${tex(start + ((end - start) * (value - from)) / (to - from))}`,
      places: [],
      legs: [],
      points: [],
    }));
}

/** A projective change of the parameter: knots by their shares, weights by the knots that follow each (P&T 6.4). */
export function shiftedParameter(curve: Curve, factor: number, made: Curve): readonly CalculationLine[] {
  const { knots, degree } = curve;
  const [start, end] = domainOf(knots, degree);
  const share = (u: number): number => (u - start) / (end - start);
  const ofKnots = distinctKnots(knots, degree).map(({ value }): CalculationLine => {
    const s = share(value);
    return {
      step: 'mappedKnot',
      values: { u: value },
      tex: String.raw`s = ${tex(s)}, \quad \frac{${tex(factor)}\,s}{1 + (${tex(factor)} - 1)\,s} = ${tex((factor * s) / (1 + (factor - 1) * s))}`,
      places: [],
      legs: [],
      points: [],
    };
  });
  const ofWeights = curve.points.map((point, index): CalculationLine => {
    const shares = knots.slice(index + 1, index + degree + 1).map((knot) => tex(share(knot)));
    return {
      step: 'shiftedWeight',
      values: { index },
      tex: String.raw`\bar w_{${texAt(index)}} = ${tex(curve.weights?.[index] ?? 1)}\prod_{s\,\in\,\{${shares.join(',\\,')}\}} \frac{\sqrt{${tex(factor)}}}{1 + (${tex(factor)} - 1)\,s} = ${tex(made.weights![index]!)}`,
      places: [point],
      legs: [],
      points: [index],
    };
  });
  return [...ofKnots, ...ofWeights].slice(0, mostLines);
}
