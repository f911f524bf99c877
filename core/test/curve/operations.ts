import { arcLengthTable } from '../../src/curve/arcLength.js';
import { enclosedArea } from '../../src/curve/area.js';
import { chainOfCurve } from '../../src/curve/bezierChain.js';
import { bestCircle, circleError } from '../../src/curve/circleError.js';
import { closeCurve, moveSeam } from '../../src/curve/close.js';
import { deBoorConstruction, deCasteljauConstruction } from '../../src/curve/construct.js';
import { measureContinuity } from '../../src/curve/continuity.js';
import { convertCurve } from '../../src/curve/convert.js';
import { decompose } from '../../src/curve/decompose.js';
import { curvatureAt, curvatureDerivativeAt, osculatingCircleAt } from '../../src/curve/differential.js';
import { editPoints, moveEditPoint } from '../../src/curve/editPoint.js';
import { elevateDegree } from '../../src/curve/elevateDegree.js';
import { derivativesAt, pointAt } from '../../src/curve/evaluate.js';
import { derivativesAtMany, pointsAt } from '../../src/curve/evaluateMany.js';
import { evenOut, unevennessOf } from '../../src/curve/evenOut.js';
import { curvatureExtremes, inflections } from '../../src/curve/features.js';
import { fitCurveToTolerance } from '../../src/curve/fitCurve.js';
import { fitStroke } from '../../src/curve/fitPoints.js';
import { largestDistance } from '../../src/curve/hausdorff.js';
import { spanHulls } from '../../src/curve/hull.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { interpolate, interpolateClosed } from '../../src/curve/interpolate.js';
import { intersectLine } from '../../src/curve/intersectLine.js';
import { lengthOfCurve } from '../../src/curve/length.js';
import { matchCurve } from '../../src/curve/match.js';
import { monotoneCubic } from '../../src/curve/monotone.js';
import { nearestPoint } from '../../src/curve/nearest.js';
import { reduceDegree } from '../../src/curve/reduceDegree.js';
import { refitCurve } from '../../src/curve/refit.js';
import { removeNeedlessKnots } from '../../src/curve/needlessKnots.js';
import { mapDomain, reparametriseMobius, reverseCurve } from '../../src/curve/reparametrise.js';
import { sampleCurve } from '../../src/curve/sample.js';
import { sampleBasis } from '../../src/curve/sampleBasis.js';
import { splitCurve } from '../../src/curve/split.js';
import type { Curve } from '../../src/curve/curve.js';
import { offeredOperations, operations as operationMembers } from '../../src/figure/operation/operations.js';
import type { Geometry } from '../../src/figure/part/geometry.js';

const other: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 0.4, 0.7, 1, 1, 1, 1],
  points: [
    [0, 0],
    [10, 40],
    [30, -20],
    [60, 30],
    [80, 5],
    [100, 20],
  ],
};

/** Every operation that is offered on a curve, with what its form holds at first. */
const offered = offeredOperations.map((name): [string, (curve: Curve, u: number) => unknown] => [
  `the operation ${name}`,
  (curve, u) => {
    const { first, run } = operationMembers[name] as unknown as {
      readonly first: (curve: Curve, cursor: number) => object;
      readonly run: (sources: readonly Geometry[], args: object) => unknown;
    };
    return run(
      [curve, other].map((one) => ({ kind: 'curve', curve: one })),
      first(curve, u),
    );
  },
]);

/** Every calculation of the core on one curve, with arguments that suit many. */
export const operations: readonly [string, (curve: Curve, u: number) => unknown][] = [
  ...offered,
  ['pointAt', pointAt],
  ['derivativesAt', (curve, u) => derivativesAt(curve, u, 3, 'left')],
  ['pointsAt', (curve, u) => pointsAt(curve, [u])],
  ['derivativesAtMany', (curve, u) => derivativesAtMany(curve, [u], 3)],
  ['sampleCurve', (curve) => sampleCurve(curve, 5)],
  ['sampleBasis', (curve) => sampleBasis(curve, 5)],
  ['curvatureAt', curvatureAt],
  ['curvatureDerivativeAt', curvatureDerivativeAt],
  ['osculatingCircleAt', osculatingCircleAt],
  ['insertKnot', insertKnot],
  ['elevateDegree', elevateDegree],
  ['reduceDegree', reduceDegree],
  ['decompose', decompose],
  ['splitCurve', splitCurve],
  ['reverseCurve', reverseCurve],
  ['mapDomain', (curve) => mapDomain(curve, 2, 3)],
  ['reparametriseMobius', (curve) => reparametriseMobius(curve, 3)],
  ['evenOut', (curve) => evenOut(curve)],
  ['unevennessOf', (curve) => unevennessOf(curve)],
  ['editPoints', editPoints],
  ['moveEditPoint', (curve) => moveEditPoint(curve, 0, [3, 4])],
  ['lengthOfCurve', (curve) => lengthOfCurve(curve)],
  ['arcLengthTable', (curve) => arcLengthTable(curve).length],
  ['enclosedArea', enclosedArea],
  ['nearestPoint', (curve) => nearestPoint(curve, [5, 5])],
  ['inflections', inflections],
  ['curvatureExtremes', curvatureExtremes],
  [
    'intersectLine',
    (curve) =>
      intersectLine(curve, [
        [0, 5],
        [9, 6],
      ]),
  ],
  ['largestDistance', (curve) => largestDistance(curve, other)],
  ['measureContinuity', (curve) => measureContinuity(curve)],
  ['matchCurve', (curve) => matchCurve(curve, other, 'G1')],
  ['closeCurve pull', (curve) => closeCurve(curve, 'pull')],
  ['closeCurve bridge', (curve) => closeCurve(curve, 'bridge')],
  ['closeCurve wrap', (curve) => closeCurve(curve, 'wrap')],
  ['moveSeam', moveSeam],
  ['refitCurve', (curve) => refitCurve(curve, 3, 3)],
  ['fitCurveToTolerance', (curve) => fitCurveToTolerance(curve, 3, 1)],
  ['fitStroke', (curve) => fitStroke(curve.points, 1)],
  ['interpolate', (curve) => interpolate(curve.points, 3)],
  ['interpolateClosed', (curve) => interpolateClosed(curve.points, 3)],
  ['monotoneCubic', (curve) => monotoneCubic(curve.points)],
  ['convertCurve', (curve) => convertCurve(curve, 'bezier')],
  ['chainOfCurve', (curve) => chainOfCurve(curve)],
  ['spanHulls', spanHulls],
  ['deBoorConstruction', deBoorConstruction],
  ['deCasteljauConstruction', deCasteljauConstruction],
  ['circleError', (curve) => circleError(curve, [50, 10], 40)],
  ['bestCircle', bestCircle],
  ['removeNeedlessKnots', (curve) => removeNeedlessKnots(curve, 1)],
];
