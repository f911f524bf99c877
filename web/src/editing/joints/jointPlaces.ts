import {
  measureContinuity,
  pointAt,
  type JointContinuity,
  type KnotContinuity,
  type MeasuredContinuity,
  type Point,
  unlessPole,
} from '@bogen/core/curve';
import { curveOf, isMarked, itemOf, jointsOf, lockedKnotsOf, type Joint } from '@bogen/core/figure';
import type { FigureScene } from '../../figure/scene/scene.js';

/** A joint or a knot with its measured continuity, as it is marked in the figure. */
export type MarkedPlace = {
  readonly key: string;
  readonly at: Point;
  readonly measured: MeasuredContinuity;
} & (
  | { readonly kind: 'joint'; readonly joint: Joint }
  | {
      readonly kind: 'knot';
      readonly item: string;
      readonly knot: KnotContinuity;
      readonly locked: JointContinuity | undefined;
    }
);

/** More places than these are not marked: their marks would hide the curve. */
const mostPlaces = 40;

/**
 * The places of a figure whose continuity is marked: every joint of two curves, and of the curve on the rail the
 * knots that stand more than once, where continuity is below what its degree could give, and the knot that was picked.
 */
export function markedPlaces(scene: FigureScene): readonly MarkedPlace[] {
  const { document, evaluation } = scene;
  const marked = new Set(document.items.filter((one) => isMarked(document, one)).map(({ id }) => id));
  const isSeenJoint = (one: string, other: string): boolean => marked.has(one) || marked.has(other);
  const joints = jointsOf(document, evaluation, isSeenJoint).map((joint): MarkedPlace => ({
    key: `${joint.first.item}/${joint.first.end}/${joint.second.item}/${joint.second.end}`,
    at: joint.at,
    measured: joint.measured,
    kind: 'joint',
    joint,
  }));
  const { item } = document.rail;
  const curve = curveOf(evaluation, item);
  const own = item === null ? undefined : itemOf(document, item);
  const isSeen = own && !own.hidden && own.kind === 'curve' && !own.faint;
  const knots =
    curve && isSeen
      ? (
          unlessPole(() =>
            measureContinuity(
              curve,
              undefined,
              (knot, multiplicity) => multiplicity > 1 || knot === scene.pointed.knot,
            ),
          ) ?? []
        ).filter(({ guaranteed }) => guaranteed < curve.degree && guaranteed >= 0)
      : [];
  // Where an open curve's ends meet there is no knot to change.
  const changeable = knots.filter(
    ({ knot }) => curve!.periodic === true || knot !== curve!.knots[curve!.degree],
  );
  return [
    ...joints,
    ...changeable.map((knot): MarkedPlace => ({
      key: `${item}/${knot.knot}`,
      at: pointAt(curve!, knot.knot),
      measured: knot,
      kind: 'knot',
      item: item!,
      knot,
      locked:
        own?.kind === 'curve'
          ? lockedKnotsOf(own).find((lock) => lock.knot === knot.knot)?.continuity
          : undefined,
    })),
  ].slice(0, mostPlaces);
}
