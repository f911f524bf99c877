import { curvatureAtMost } from './curvatureAtMost.js';
import { curveThroughPoint } from './curveThroughPoint.js';
import { degreeAtMost } from './degreeAtMost.js';
import { inflectionsAtMost } from './inflectionsAtMost.js';
import { pointAtPlace } from './pointAtPlace.js';
import { pointsUnmoved } from './pointsUnmoved.js';
import { spansUnmoved } from './spansUnmoved.js';
import { unionOf, type ValueOf } from '../../describe/describe.js';

/** Every condition of a task, in the order in which a list offers them. A new one is a file beside these and a line here. */
export const conditions = {
  curveThroughPoint,
  pointAtPlace,
  pointsUnmoved,
  spansUnmoved,
  curvatureAtMost,
  inflectionsAtMost,
  degreeAtMost,
};

export type Conditions = typeof conditions;
export type ConditionKind = keyof Conditions;

/** One thing that a task asks for, judged by calculation. */
export type Condition = ValueOf<Conditions[ConditionKind]['description']>;

/** One kind of condition. */
export type ConditionOf<Kind extends ConditionKind> = ValueOf<Conditions[Kind]['description']>;

export const conditionDescription = unionOf('kind', conditions);
