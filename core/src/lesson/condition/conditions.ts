import { areaBetween } from './areaBetween.js';
import { clampedEnds } from './clampedEnds.js';
import { closed } from './closed.js';
import { combPeaksAtMost } from './combPeaksAtMost.js';
import { conicIs } from './conicIs.js';
import { continuityAtJoint } from './continuityAtJoint.js';
import { continuityAtKnot } from './continuityAtKnot.js';
import { curvatureAtLeast } from './curvatureAtLeast.js';
import { curvatureAtMost } from './curvatureAtMost.js';
import { curvatureMonotone } from './curvatureMonotone.js';
import { curveThroughPoint } from './curveThroughPoint.js';
import { degreeAtLeast } from './degreeAtLeast.js';
import { degreeAtMost } from './degreeAtMost.js';
import { endsMeet } from './endsMeet.js';
import { inflectionsAtMost } from './inflectionsAtMost.js';
import { knotsEqual } from './knotsEqual.js';
import { leastContinuity } from './leastContinuity.js';
import { lengthBetween } from './lengthBetween.js';
import { multiplicityAtLeast } from './multiplicityAtLeast.js';
import { multiplicityAtMost } from './multiplicityAtMost.js';
import { nearCurve } from './nearCurve.js';
import { pointAtPlace } from './pointAtPlace.js';
import { pointsAtLeast } from './pointsAtLeast.js';
import { pointsAtMost } from './pointsAtMost.js';
import { pointsEqual } from './pointsEqual.js';
import { pointsUnmoved } from './pointsUnmoved.js';
import { polynomial } from './polynomial.js';
import { rational } from './rational.js';
import { roundWithin } from './roundWithin.js';
import { shapeUnchanged } from './shapeUnchanged.js';
import { spansAtLeast } from './spansAtLeast.js';
import { spansAtMost } from './spansAtMost.js';
import { spansUnmoved } from './spansUnmoved.js';
import { symmetricAbout } from './symmetricAbout.js';
import { tangentAtEnd } from './tangentAtEnd.js';
import { weightBetween } from './weightBetween.js';
import { weightsEqual } from './weightsEqual.js';
import { unionOf, type ValueOf } from '../../describe/describe.js';

/** Every condition of a task, in the order in which a list offers them. A new one is a file beside these and a line here. */
export const conditions = {
  curveThroughPoint,
  pointAtPlace,
  pointsUnmoved,
  spansUnmoved,
  shapeUnchanged,
  nearCurve,
  pointsEqual,
  weightsEqual,
  knotsEqual,
  degreeAtMost,
  degreeAtLeast,
  spansAtMost,
  spansAtLeast,
  pointsAtMost,
  pointsAtLeast,
  multiplicityAtLeast,
  multiplicityAtMost,
  leastContinuity,
  continuityAtKnot,
  continuityAtJoint,
  curvatureAtMost,
  curvatureAtLeast,
  curvatureMonotone,
  combPeaksAtMost,
  inflectionsAtMost,
  tangentAtEnd,
  conicIs,
  roundWithin,
  lengthBetween,
  areaBetween,
  weightBetween,
  polynomial,
  rational,
  clampedEnds,
  closed,
  endsMeet,
  symmetricAbout,
};

export type Conditions = typeof conditions;
export type ConditionKind = keyof Conditions;

/** One thing that a task asks for, judged by calculation. */
export type Condition = ValueOf<Conditions[ConditionKind]['description']>;

/** One kind of condition. */
export type ConditionOf<Kind extends ConditionKind> = ValueOf<Conditions[Kind]['description']>;

export const conditionDescription = unionOf('kind', conditions);
