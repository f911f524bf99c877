import type { ClosingWay } from '../curve/close.js';
import type { CurveKind } from '../curve/convert.js';
import type { Point } from '../curve/curve.js';
import type { HeldValue } from '../curve/evenOut.js';
import type { Parametrisation } from '../curve/interpolate.js';
import type { CurveEnd, JointContinuity } from '../curve/match.js';

/**
 * How a built item is made: an operation with the ids of its sources and its arguments. What it computes
 * is in `operate`; every one follows its sources until it is frozen.
 */
export type Operation =
  | CopyOfCurve
  | CurveOfDegree
  | CurveThroughPoints
  | CurveOnPegs
  | CurveThroughPegs
  | CurveWithKnot
  | CurveWithoutKnot
  | RaisedCurve
  | LoweredCurve
  | PartOfCurve
  | PieceOfCurve
  | SideOfSplit
  | JoinedCurves
  | MatchedCurve
  | ReversedCurve
  | ClosedCurve
  | OpenedCurve
  | CurveWithStart
  | CurveOnDomain
  | MobiusCurve
  | EvenedOutCurve
  | RefittedCurve
  | ToleranceCurve
  | MirroredCurve
  | SymmetricCurve
  | ConvertedCurve;

export type OperationName = Operation['name'];

/** An operation on one curve. */
interface OnCurve<Name extends string> {
  readonly name: Name;
  readonly source: string;
}

/** The same curve, moved aside. */
export interface CopyOfCurve extends OnCurve<'copy'> {
  readonly offset: Point;
}

/** The curve of another degree on the same control points and weights, with evenly spaced knots. */
export interface CurveOfDegree extends OnCurve<'curveOfDegree'> {
  readonly degree: number;
}

/** The curve that passes through the control points of its source. */
export interface CurveThroughPoints extends OnCurve<'throughPoints'> {
  readonly degree: number;
  readonly parametrisation: Parametrisation;
}

/** The curve whose control points are reference points, in this order. */
export interface CurveOnPegs {
  readonly name: 'curveOnPegs';
  readonly pegs: readonly string[];
  readonly degree: number;
  readonly closed: boolean;
}

/** The curve that passes through reference points, in this order. */
export interface CurveThroughPegs {
  readonly name: 'curveThroughPegs';
  readonly pegs: readonly string[];
  readonly degree: number;
  readonly parametrisation: Parametrisation;
  readonly closed: boolean;
}

/** The same curve with a knot inserted. */
export interface CurveWithKnot extends OnCurve<'insertKnot'> {
  readonly parameter: number;
  readonly times: number;
}

/** The curve with a knot taken out, as near as it comes. */
export interface CurveWithoutKnot extends OnCurve<'removeKnot'> {
  readonly parameter: number;
  readonly times: number;
}

/** The same curve at a higher degree. */
export interface RaisedCurve extends OnCurve<'raiseDegree'> {
  readonly times: number;
}

/** A curve of a lower degree, as near as it comes. */
export interface LoweredCurve extends OnCurve<'lowerDegree'> {
  readonly times: number;
}

/** The part of a curve between two parameters. */
export interface PartOfCurve extends OnCurve<'part'> {
  readonly from: number;
  readonly to: number;
}

/** One Bézier piece of a curve that is taken apart, counted from 0. */
export interface PieceOfCurve extends OnCurve<'piece'> {
  readonly index: number;
}

/** What lies before or behind a parameter at which a curve is split. */
export interface SideOfSplit extends OnCurve<'split'> {
  readonly parameter: number;
  readonly side: 'before' | 'after';
}

/** One curve of two that meet within a tolerance. */
export interface JoinedCurves extends OnCurve<'join'> {
  readonly second: string;
  readonly tolerance: number;
}

/** The curve with its end moved so that it continues another. */
export interface MatchedCurve extends OnCurve<'match'> {
  readonly second: string;
  readonly continuity: JointContinuity;
  readonly curveEnd: CurveEnd;
  readonly targetEnd: CurveEnd;
}

/** The same curve run through the other way. */
export type ReversedCurve = OnCurve<'reverse'>;

/** The curve closed in one of three ways. */
export interface ClosedCurve extends OnCurve<'close'> {
  readonly way: ClosingWay;
  /** For a bridge: how many derivatives it shares with the curve at both ends. */
  readonly continuity: 0 | 1 | 2;
}

/** A closed curve cut open at a parameter. */
export interface OpenedCurve extends OnCurve<'open'> {
  readonly parameter: number;
}

/** The same closed curve starting at another parameter. */
export interface CurveWithStart extends OnCurve<'moveStart'> {
  readonly parameter: number;
}

/** The same curve with its parameter stretched to another domain. */
export interface CurveOnDomain extends OnCurve<'mapDomain'> {
  readonly start: number;
  readonly end: number;
}

/** The same curve with its parameter shifted towards one end. */
export interface MobiusCurve extends OnCurve<'mobius'> {
  readonly factor: number;
}

/** The curve with a parameter that follows its arc length. */
export interface EvenedOutCurve extends OnCurve<'evenOut'> {
  readonly held: readonly HeldValue[];
  readonly perSpan: number;
}

/** The best curve of a degree and number of spans. */
export interface RefittedCurve extends OnCurve<'refit'> {
  readonly degree: number;
  readonly spans: number;
}

/** A curve of a degree within a tolerance, with few spans. */
export interface ToleranceCurve extends OnCurve<'fitToTolerance'> {
  readonly degree: number;
  readonly tolerance: number;
}

/** The mirror image of a curve in the line through two places. */
export interface MirroredCurve extends OnCurve<'mirror'> {
  readonly axis: readonly [Point, Point];
}

/** A curve and its mirror image in one, its end put on the line. */
export interface SymmetricCurve extends OnCurve<'symmetric'> {
  readonly axis: readonly [Point, Point];
  readonly smooth: boolean;
  /**
   * Which side of the place where the curve crosses the axis is kept, where it does; the other goes. The
   * whole curve is taken for the half where absent.
   */
  readonly keep?: 'before' | 'after';
}

/** The curve as another kind. */
export interface ConvertedCurve extends OnCurve<'convert'> {
  readonly kind: CurveKind;
}

/** The ids of the items that an operation works on, in the order in which `operate` takes them. */
export function sourcesOfOperation(operation: Operation): readonly string[] {
  if ('pegs' in operation) return operation.pegs;
  return 'second' in operation ? [operation.source, operation.second] : [operation.source];
}
