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
import { operationAtMost } from './operationAtMost.js';
import { operationsAtMost } from './operationsAtMost.js';
import { parameterEven } from './parameterEven.js';
import { pointAtPlace } from './pointAtPlace.js';
import { pointsAtLeast } from './pointsAtLeast.js';
import { pointsAtMost } from './pointsAtMost.js';
import { pointsEqual } from './pointsEqual.js';
import { pointsMovedAtMost } from './pointsMovedAtMost.js';
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
import { list, tagged, unionOf, type Field, type UnionField, type ValueOf } from '../../describe/describe.js';

/** Every condition of a task, in the order in which a list offers them. A new one is a file beside these and a line here. */
export const conditions = {
  curveThroughPoint,
  pointAtPlace,
  pointsUnmoved,
  pointsMovedAtMost,
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
  operationsAtMost,
  operationAtMost,
  multiplicityAtLeast,
  multiplicityAtMost,
  leastContinuity,
  continuityAtKnot,
  continuityAtJoint,
  curvatureAtMost,
  curvatureAtLeast,
  curvatureMonotone,
  parameterEven,
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

type Conditions = typeof conditions;
export type ConditionKind = keyof Conditions;

/** One thing that a task asks of a curve, judged by calculation. */
export type SingleCondition = ValueOf<Conditions[ConditionKind]['description']>;

/** How conditions are taken together: all of them are to be met, at least one, or none. */
const groupKinds = ['all', 'any', 'none'] as const;
type GroupKind = (typeof groupKinds)[number];

/** Several conditions taken together as one. */
export interface ConditionGroup {
  readonly kind: GroupKind;
  readonly conditions: readonly Condition[];
}

/** What a task asks for: one thing, or several taken together. */
export type Condition = SingleCondition | ConditionGroup;

export const isGroup = (condition: Condition): condition is ConditionGroup =>
  (groupKinds as readonly string[]).includes(condition.kind);

/** The most conditions in a group. */
const mostInGroup = 20;

/** How many single conditions there are, those in groups among them. */
export function countConditions(all: readonly Condition[]): number {
  return all.reduce(
    (sum, condition) => sum + (isGroup(condition) ? countConditions(condition.conditions) : 1),
    0,
  );
}

/** The single conditions, and the groups of what a field describes. */
function withGroups(of: Field): UnionField<Condition> {
  const group = (kind: GroupKind) => ({
    description: tagged('kind', kind, { conditions: list(of, mostInGroup, 1) }),
  });
  const groups = Object.fromEntries(groupKinds.map((kind) => [kind, group(kind)]));
  // The type of a group names itself, which can't follow from a description of limited depth.
  return unionOf('kind', { ...conditions, ...groups }) as unknown as UnionField<Condition>;
}

/** A group may hold groups, and these single conditions: no deeper, so that what is sent has an end. */
export const conditionDescription: UnionField<Condition> = withGroups(
  withGroups(unionOf('kind', conditions)),
);
