/** The mathematics of curves, as other packages use it. What is not named here is core's own. */
export {
  chainOfCurve,
  nodeParameters,
  setNodeKind,
  setNodeParameter,
  type ChainNode,
  type NodeKind,
} from './bezierChain.js';
export { enclosedArea } from './area.js';
export { circleError } from './circleError.js';
export { arcFromBulge, arcFromEnds, arcThroughPoints, exactCircle, exactEllipse } from './circle.js';
export {
  hasSignedWeights,
  piecesBetweenPoles,
  polesOf,
  withPositiveForm,
  type Pole,
} from './betweenPoles.js';
export { classifyConic, type ConicClass } from './classifyConic.js';
export { conicFromShoulder } from './conic.js';
export { cornersOf } from './roundCorner.js';
export {
  shareOfWeight,
  weightAtShare,
  weightLines,
  weightPointLines,
  type WeightLine,
} from './weightLine.js';
export { asymptotesOf, directricesOf, type StraightLine } from './conicLines.js';
export { deBoorConstruction, deCasteljauConstruction, type Construction } from './construct.js';
export {
  guaranteedContinuity,
  knotJumps,
  measureContinuity,
  type KnotContinuity,
  type MeasuredContinuity,
} from './continuity.js';
export { isRational, type Curve, type Point } from './curve.js';
export { curvatureAt, osculatingCircleAt } from './differential.js';
export { editPoints, type EditPoint } from './editPoint.js';
export { CurveError } from './error.js';
export { unlessPole } from './unlessPole.js';
export { derivativesAt, pointAt } from './evaluate.js';
export { exactForm, exactText, type ExactForm } from './exactForm.js';
export { distanceFromSegment, facetsOf, type Facets } from './facets.js';
export { curvatureExtremes, inflections } from './features.js';
export { liftedCurve } from './homogeneous.js';
export { fitStroke } from './fitPoints.js';
export { largestDistance, type LargestDistance } from './hausdorff.js';
export { spanHulls } from './hull.js';
export { insertedPoints, type InsertedPoint } from './insertedPoints.js';
export { insertKnot } from './insertKnot.js';
export { interpolate, type Parametrisation } from './interpolate.js';
export {
  clampedUniformKnots,
  distinctKnots,
  domainOf,
  grevilleAbscissae,
  interiorKnots,
  isClamped,
  maximumDegree,
  shortKnotList,
  spansOf,
} from './knotVector.js';
export { lengthOfCurve } from './length.js';
export { matchCurve, type CurveEnd, type JointContinuity } from './match.js';
export { evenOut } from './evenOut.js';
export { closeCurve } from './close.js';
export { curveFromLists, knotConventionOf, type KnotConvention } from './lists.js';
export { endMultiplicity, withEndMultiplicity } from './looseEnd.js';
export { mirrorCurve, mirrorThrough } from './mirror.js';
export { nearestFinder, nearestPoint } from './nearest.js';
export { distinctPointCount, periodicCurve } from './periodic.js';
export { reduceDegree } from './reduceDegree.js';
export { sampleCurve, type CurveSamples } from './sample.js';
export { basisAt, sampleBasis, type BasisSamples } from './sampleBasis.js';
export { sampleDistances } from './sampleDistances.js';
export { extractPart } from './split.js';
export { supportOf } from './support.js';
export { validateCurve } from './validate.js';
export { removeKnot } from './removeKnot.js';
export { largestDeviation } from './deviation.js';
export { distance } from './vector.js';
