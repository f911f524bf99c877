import { measureJoint, type MeasuredContinuity } from '../../curve/continuity.js';
import type { Curve } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { matchCurve, type CurveEnd, type JointContinuity } from '../../curve/match.js';
import { reverseCurve } from '../../curve/reparametrise.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { CommandError } from '../../history/history.js';
import { told } from '../../told/told.js';
import { applyFigureCommand } from '../change/applyCommand.js';
import { singleCommands, type FigureCommand, type SingleFigureCommand } from '../command/commands.js';
import { hasLocks, itemOf, type FigureDocument } from '../document/document.js';
import type { CurveItem } from '../document/item.js';
import { curveOf, evaluateFigure, type Evaluation } from '../evaluation/evaluate.js';
import { keepingLockedKnots } from './lockedKnots.js';
import { lockBetween, locksOf, runningInto, type EndOfCurve, type Lock } from './joints.js';

/** The command that locks a joint at a continuity, or lets it go again with `null`. */
export function lockJoint(
  document: FigureDocument,
  first: EndOfCurve,
  second: EndOfCurve,
  continuity: JointContinuity | null,
): FigureCommand {
  const known = lockBetween(document, first, second);
  // What is locked already stays with the curve that carries it.
  const isGiven = ({ item: id }: EndOfCurve): boolean => itemOf(document, id)?.kind === 'curve';
  const [own, other] = known
    ? [known.first, known.second]
    : isGiven(first)
      ? [first, second]
      : [second, first];
  const item = givenItem(document, own.item);
  const others = (item.lockedJoints ?? []).filter(
    ({ end, to, toEnd }) => !(end === own.end && to === other.item && toEnd === other.end),
  );
  const lockedJoints = continuity
    ? [...others, { end: own.end, to: other.item, toEnd: other.end, continuity }]
    : others;
  return lockedJoints.length > 0
    ? { name: 'patchItem', item: item.id, set: { lockedJoints }, clear: [] }
    : { name: 'patchItem', item: item.id, set: {}, clear: ['lockedJoints'] };
}

function givenItem(document: FigureDocument, id: string): CurveItem {
  const item = itemOf(document, id);
  if (item?.kind !== 'curve') throw new CommandError(told('lockOfGivenOnly', { name: item?.name ?? id }));
  return item;
}

/**
 * A command with what it asks of the curves that are locked to those that it changes: each follows at its joint, and
 * then what is locked to it. Where the figure has no locks, or none is touched, it is the command itself.
 * @throws CommandError where the command does not fit the document, or a lock can't be kept: what is locked is fixed,
 * has too few points, or would have to follow from both sides at once
 */
export function keepingLocks(document: FigureDocument, command: FigureCommand): FigureCommand {
  const locks = locksOf(document);
  if (locks.length === 0 && !hasLocks(document)) return command;
  let after = applyFigureCommand(document, command).document;
  // What is drawn as a shape or linked has its curve from an evaluation.
  const madeIds = [...new Set(locks.map(({ second }) => second.item))].filter(
    (id) => itemOf(document, id)?.kind !== 'curve',
  );
  const before = madeIds.length > 0 ? evaluated(document) : undefined;
  const commands: SingleFigureCommand[] = [];
  /** What a curve that was changed asks of itself at its locked knots. */
  const keepKnots = (id: string, before: Curve | undefined): void => {
    const item = itemOf(after, id);
    if (item?.kind !== 'curve' || !item.lockedKnots || !before) return;
    const kept = keepingLockedKnots(item, before);
    if (kept === item.curve) return;
    const follows = following(item, kept);
    commands.push(...follows);
    for (const single of follows) after = applyFigureCommand(after, single).document;
  };
  const followed = new Set<string>();
  const given = after.items
    .filter((item) => item.kind === 'curve' && curveBefore(document, item.id) !== item.curve)
    .map(({ id }) => id);
  for (const id of given) keepKnots(id, curveBefore(document, id));
  const made = before
    ? madeIds.filter((id) => curveOf(evaluateFigure(after, before), id) !== curveOf(before, id))
    : [];
  const changed = [...given, ...made];
  const settled = new Set(changed);
  const curveIn = (id: string): Curve | undefined => {
    const item = itemOf(after, id);
    return item?.kind === 'curve' ? item.curve : curveOf(evaluateFigure(after, before), id);
  };
  for (let leader = changed.shift(); leader !== undefined; leader = changed.shift()) {
    for (const lock of locksOf(after).filter(({ first, second }) =>
      [first.item, second.item].includes(leader!),
    )) {
      const [own, other] = [curveIn(lock.first.item), curveIn(lock.second.item)];
      // A linked curve that can't be computed asks for nothing.
      if (!own || !other || isKept(lock, own, other)) continue;
      const isMade = madeIds.includes(lock.second.item);
      const led: EndOfCurve = isMade || lock.second.item === leader ? lock.first : lock.second;
      const item = itemOf(after, led.item) as CurveItem;
      if (isMade && leader === led.item && !meetsStill(lock, own, other)) {
        throw new CommandError(told('lockOnMade', { name: itemOf(after, lock.second.item)!.name }));
      }
      // What was pulled itself is put right as long as its end stays, where the other can't follow.
      const putsItselfRight = isMade && leader === led.item;
      if (item.locked || item.faint) throw new CommandError(told('lockOnFixed', { name: item.name }));
      // What was moved itself, or has followed already, would be torn between two.
      if (!putsItselfRight && (followed.has(led.item) || settled.has(led.item))) {
        throw new CommandError(told('locksContradict', { name: item.name }));
      }
      followed.add(led.item);
      const [stays, end] = led === lock.first ? [other, lock.second.end] : [own, lock.first.end];
      const follows = following(item, matched(item, led.end, stays, end, lock.continuity));
      commands.push(...follows);
      for (const single of follows) after = applyFigureCommand(after, single).document;
      keepKnots(led.item, item.curve);
      if (!putsItselfRight) changed.push(led.item);
    }
  }
  return commands.length === 0
    ? command
    : { name: 'batch', commands: [...singleCommands(command), ...commands] };
}

const curveBefore = (document: FigureDocument, id: string): Curve | undefined => {
  const item = itemOf(document, id);
  return item?.kind === 'curve' ? item.curve : undefined;
};

const known = new WeakMap<FigureDocument, Evaluation>();

/** What a figure comes to; while something is pulled it is asked again and again what it was before. */
function evaluated(document: FigureDocument): Evaluation {
  let evaluation = known.get(document);
  if (!evaluation) {
    evaluation = evaluateFigure(document);
    known.set(document, evaluation);
  }
  return evaluation;
}

/** What is measured at a lock. */
function measuredAt({ first, second }: Lock, own: Curve, other: Curve): MeasuredContinuity {
  return measureJoint(runningInto(own, first.end), second.end === 'start' ? other : reverseCurve(other));
}

/** Whether the curves of a lock still have its continuity. */
function isKept(lock: Lock, own: Curve, other: Curve): boolean {
  const measured = measuredAt(lock, own, other);
  const { continuity } = lock;
  return (continuity.startsWith('C') ? measured.parametric : measured.geometric) >= Number(continuity[1]);
}

/** Whether the curves of a lock still meet. */
const meetsStill = (lock: Lock, own: Curve, other: Curve): boolean =>
  measuredAt(lock, own, other).parametric >= 0;

function matched(
  item: CurveItem,
  end: CurveEnd,
  other: Curve,
  otherEnd: CurveEnd,
  continuity: JointContinuity,
): Curve {
  try {
    return matchCurve(item.curve, other, continuity, end, otherEnd).curve;
  } catch (error) {
    if (!(error instanceof CurveError)) throw error;
    throw new CommandError(told('lockCantBeKept', { name: item.name, continuity, reason: error.told }));
  }
}

/** The commands that give an item a curve: moves of points where nothing else is another. */
function following(item: CurveItem, curve: Curve): SingleFigureCommand[] {
  const { points, knots } = item.curve;
  const isSameSpace =
    points.length === curve.points.length && knots.every((knot, index) => knot === curve.knots[index]);
  if (!isSameSpace) return [{ name: 'setCurve', item: item.id, curve }];
  // The repeated points of a periodic curve go with its first.
  return curve.points
    .slice(0, distinctPointCount(curve))
    .flatMap((to, index): SingleFigureCommand[] =>
      to.every((value, axis) => value === points[index]![axis])
        ? []
        : [{ name: 'moveControlPoint', item: item.id, index, to }],
    );
}
