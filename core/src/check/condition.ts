import type { Point } from '../curve/curve.js';
import type { PointKind } from '../figure/document.js';

/**
 * One thing that a task asks for, judged by calculation. `figure` always means the student's figure,
 * `start` the figure that they were given.
 */
export type Condition =
  CurveThroughPoint | PointAtPlace | PointsUnmoved | SpansUnmoved | CurvatureAtMost | InflectionsAtMost;

/** The curve passes within `tolerance` of a reference point. */
export interface CurveThroughPoint {
  readonly kind: 'curveThroughPoint';
  readonly item: string;
  /** Id of a reference point in the figure. */
  readonly target: string;
  readonly tolerance: number;
}

/** A control point or edit point lies within `tolerance` of a place. */
export interface PointAtPlace {
  readonly kind: 'pointAtPlace';
  readonly item: string;
  readonly of: PointKind;
  readonly index: number;
  readonly place: Point;
  readonly tolerance: number;
}

/** These points are where they were at the start, within `tolerance`. */
export interface PointsUnmoved {
  readonly kind: 'pointsUnmoved';
  readonly item: string;
  readonly of: PointKind;
  readonly indices: readonly number[];
  readonly tolerance: number;
}

/** At least `atLeast` spans of the curve are where they were at the start, within `tolerance`. */
export interface SpansUnmoved {
  readonly kind: 'spansUnmoved';
  readonly item: string;
  readonly atLeast: number;
  readonly tolerance: number;
}

/** The largest absolute curvature of the curve is at most `limit`, in one over the unit. */
export interface CurvatureAtMost {
  readonly kind: 'curvatureAtMost';
  readonly item: string;
  readonly limit: number;
}

/** The curve has at most `atMost` inflections: places where its curvature changes sign. */
export interface InflectionsAtMost {
  readonly kind: 'inflectionsAtMost';
  readonly item: string;
  readonly atMost: number;
}

/** What a sheet asks of its reader. */
export interface Task {
  readonly prompt: string;
  /** Given one after the other, on request. */
  readonly hints: readonly string[];
  readonly conditions: readonly Condition[];
}

/** How one condition came out, with the number that decided it. */
export interface ConditionResult {
  readonly met: boolean;
  /** What was measured, in the condition's own quantity; `null` where it could not be. */
  readonly measured: number | null;
}
