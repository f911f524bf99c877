import type { Curve } from '../curve/curve.js';
import { elevateDegree } from '../curve/elevateDegree.js';
import { insertKnot } from '../curve/insertKnot.js';
import { interpolate } from '../curve/interpolate.js';
import { joinCurves } from '../curve/join.js';
import { withDegree } from '../curve/withDegree.js';
import { reverseCurve } from '../curve/reparametrise.js';
import { extractPart } from '../curve/split.js';
import type { Operation } from './document.js';

/**
 * The curve that an operation makes of its sources.
 * @param sources the source curves in the order of `sourcesOf`
 * @throws CurveError where the operation can't be done on them
 */
export function operate(operation: Operation, [source, second]: readonly Curve[]): Curve {
  const curve = source!;
  switch (operation.name) {
    case 'curveOfDegree':
      return withDegree(curve, operation.degree);
    case 'throughPoints':
      return interpolate(curve.points, operation.degree, operation.parametrisation).curve;
    case 'insertKnot':
      return insertKnot(curve, operation.parameter, operation.times);
    case 'raiseDegree':
      return elevateDegree(curve, operation.times);
    case 'part':
      return extractPart(curve, operation.from, operation.to);
    case 'reverse':
      return reverseCurve(curve);
    case 'join':
      return joinCurves(curve, second!, operation.tolerance);
  }
}
