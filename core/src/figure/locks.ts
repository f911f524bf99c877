import { measureJoint } from '../curve/continuity.js';
import type { Curve } from '../curve/curve.js';
import { CurveError } from '../curve/error.js';
import { matchCurve, type JointContinuity } from '../curve/match.js';
import { reverseCurve } from '../curve/reparametrise.js';
import { CommandError } from '../history/history.js';
import { told } from '../told/told.js';
import { applyFigureCommand, singleCommands } from './applyCommand.js';
import type { FigureCommand, SingleFigureCommand } from './command/commands.js';
import { hasLocks, itemOf, type CurveItem, type FigureDocument } from './document.js';
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
  const [own, other] = known ? [known.first, known.second] : [first, second];
  const item = givenItem(document, own.item);
  givenItem(document, other.item);
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
  const changed = after.items
    .filter((item) => item.kind === 'curve' && curveBefore(document, item.id) !== item.curve)
    .map(({ id }) => id);
  const settled = new Set(changed);
  for (const id of changed) keepKnots(id, curveBefore(document, id));
  for (let leader = changed.shift(); leader !== undefined; leader = changed.shift()) {
    for (const lock of locksOf(after).filter(({ first, second }) =>
      [first.item, second.item].includes(leader!),
    )) {
      if (isKept(after, lock)) continue;
      const [led, target] =
        lock.first.item === leader ? [lock.second, lock.first] : [lock.first, lock.second];
      const item = itemOf(after, led.item) as CurveItem;
      if (item.locked || item.faint) throw new CommandError(told('lockOnFixed', { name: item.name }));
      // What was moved itself, or has followed already, would be torn between two.
      if (followed.has(led.item) || settled.has(led.item)) {
        throw new CommandError(told('locksContradict', { name: item.name }));
      }
      followed.add(led.item);
      const follows = following(item, matched(after, led, target, lock.continuity));
      commands.push(...follows);
      for (const single of follows) after = applyFigureCommand(after, single).document;
      keepKnots(led.item, item.curve);
      changed.push(led.item);
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

/** Whether the curves of a lock still have its continuity. */
function isKept(document: FigureDocument, { first, second, continuity }: Lock): boolean {
  const [a, b] = [givenItem(document, first.item).curve, givenItem(document, second.item).curve];
  const measured = measureJoint(runningInto(a, first.end), second.end === 'start' ? b : reverseCurve(b));
  const order = Number(continuity[1]);
  return (continuity.startsWith('C') ? measured.parametric : measured.geometric) >= order;
}

function matched(
  document: FigureDocument,
  led: EndOfCurve,
  target: EndOfCurve,
  continuity: JointContinuity,
): Curve {
  const item = givenItem(document, led.item);
  try {
    const other = givenItem(document, target.item).curve;
    return matchCurve(item.curve, other, continuity, led.end, target.end).curve;
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
  return curve.points.flatMap((to, index): SingleFigureCommand[] =>
    to.every((value, axis) => value === points[index]![axis])
      ? []
      : [{ name: 'moveControlPoint', item: item.id, index, to }],
  );
}
