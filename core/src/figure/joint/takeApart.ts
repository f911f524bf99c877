import { told } from '../../told/told.js';
import { openCurve } from '../../curve/close.js';
import { composePieces } from '../../curve/compose.js';
import type { Curve } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { domainOf, interiorKnots } from '../../curve/knotVector.js';
import { reverseCurve } from '../../curve/reparametrise.js';
import { extractPart } from '../../curve/split.js';
import type { FigureCommand, SingleFigureCommand } from '../command/commands.js';
import { itemOf, type FigureDocument } from '../document/document.js';
import { itemColors, sourcesOf, type CurveItem, type ItemColor } from '../document/item.js';
import { curveOf, type Evaluation } from '../evaluation/evaluate.js';
import { jointsOf, meetingTolerance, pointOfEnd, type EndOfCurve } from './joints.js';

/**
 * The pieces of a curve, cut at some of its parameters; they keep their parameters, and together have its shape
 * exactly. A periodic curve is opened at its start first.
 * @param at parameters inside the domain, in any order; all interior knots where not given
 * @throws CurveError `parameter`
 */
export function piecesOf(curve: Curve, at?: readonly number[]): Curve[] {
  const open = curve.periodic ? openCurve(curve) : curve;
  const [start, end] = domainOf(open.knots, open.degree);
  const near = 1e-9 * (end - start);
  const cuts = (at ?? interiorKnots(open.knots, open.degree).map(({ value }) => value))
    .filter((u) => u > start + near && u < end - near)
    .sort((a, b) => a - b);
  const breaks = [start, ...cuts.filter((u, k) => k === 0 || u - cuts[k - 1]! > near), end];
  if (breaks.length === 2) return [extractPart(open, start, end)];
  return breaks.slice(1).map((to, k) => extractPart(open, breaks[k]!, to));
}

/** The colours of pieces that were one curve: each differs from its neighbours and from ink. */
const pieceColors = itemColors.filter((color) => color !== 'ink');
export const colorOfPiece = (index: number): ItemColor => pieceColors[index % pieceColors.length]!;

/**
 * The command that puts pieces in the place of a curve, each an item of its own with a colour of its own. What is
 * built from the curve goes on following it: it is then hidden and not removed.
 * @param ids for the pieces, one each
 */
export function takeApart(
  document: FigureDocument,
  item: CurveItem,
  pieces: readonly Curve[],
  ids: readonly string[],
): FigureCommand {
  const position = document.items.findIndex(({ id }) => id === item.id);
  const {
    id: _,
    kind: _kind,
    curve: _curve,
    lockedJoints: _locks,
    lockedKnots: _knots,
    hidden: _hidden,
    ...attributes
  } = item;
  const isSource = document.items.some((other) => sourcesOf(other).includes(item.id));
  const commands: SingleFigureCommand[] = pieces.map((curve, index) => ({
    name: 'addItem',
    at: position + 1 + index,
    item: {
      ...attributes,
      kind: 'curve',
      id: ids[index]!,
      name: `${item.name} ${index + 1}`.slice(-200),
      color: colorOfPiece(index),
      curve,
    },
  }));
  commands.push({ name: 'setRail', rail: { ...document.rail, item: ids[0]! } });
  commands.push(
    isSource
      ? { name: 'patchItem', item: item.id, set: { hidden: true }, clear: [] }
      : { name: 'removeItem', item: item.id },
  );
  return { name: 'batch', commands };
}

/** A chain of curves that meet end to end, in their order, and which of them are run through backwards. */
export interface MeetingChain {
  readonly items: readonly string[];
  readonly reversed: readonly boolean[];
}

const otherEnd = ({ item, end }: EndOfCurve): EndOfCurve => ({
  item,
  end: end === 'start' ? 'end' : 'start',
});
const keyOf = ({ item, end }: EndOfCurve): string => `${item}/${end}`;

/** All given curves that hang on one, end to end; it ends where no curve meets, or more than one. */
export function chainThrough(document: FigureDocument, evaluation: Evaluation, item: string): MeetingChain {
  const meets = new Map<string, EndOfCurve[]>();
  const isGiven = ({ item: id }: EndOfCurve): boolean => itemOf(document, id)?.kind === 'curve';
  for (const { first, second } of jointsOf(document, evaluation)) {
    if (!isGiven(first) || !isGiven(second)) continue;
    meets.set(keyOf(first), [...(meets.get(keyOf(first)) ?? []), second]);
    meets.set(keyOf(second), [...(meets.get(keyOf(second)) ?? []), first]);
  }
  const seen = new Set([item]);
  /** From an end outwards: the curves that follow, each by the end at which it is left. */
  const follow = (from: EndOfCurve): EndOfCurve[] => {
    const next = meets.get(keyOf(from));
    if (next?.length !== 1 || seen.has(next[0]!.item)) return [];
    seen.add(next[0]!.item);
    const left = otherEnd(next[0]!);
    return [left, ...follow(left)];
  };
  const after = follow({ item, end: 'end' });
  const before = follow({ item, end: 'start' }).reverse();
  return {
    items: [...before.map((end) => end.item), item, ...after.map((end) => end.item)],
    reversed: [...before.map(({ end }) => end === 'end'), false, ...after.map(({ end }) => end === 'start')],
  };
}

/** What a chain of curves came to as one. */
export interface PutTogether {
  readonly curve: Curve;
  /** Control points and knots of all curves before, and of the one after. */
  readonly before: { readonly points: number; readonly knots: number };
  readonly after: { readonly points: number; readonly knots: number };
}

/**
 * One curve of a chain, without the knots that the shape does not need.
 * @throws CurveError `point-count` for fewer than two curves
 */
export function putTogether(evaluation: Evaluation, chain: MeetingChain): PutTogether {
  if (chain.items.length < 2) {
    throw new CurveError('point-count', told('nothingMeets'), { value: chain.items.length });
  }
  const curves = chain.items.map((id, index) => {
    const curve = curveOf(evaluation, id)!;
    return chain.reversed[index] ? reverseCurve(curve) : curve;
  });
  const tolerance = meetingTolerance(curves);
  const curve = composePieces(curves, Math.max(tolerance, 1e-9));
  const sum = (count: (curve: Curve) => number): number =>
    curves.reduce((total, one) => total + count(one), 0);
  return {
    curve,
    before: { points: sum(({ points }) => points.length), knots: sum(({ knots }) => knots.length) },
    after: { points: curve.points.length, knots: curve.knots.length },
  };
}

/** The command that puts one curve in the place of a chain: the first of its items becomes it, the others go. */
export function replaceChain(document: FigureDocument, chain: MeetingChain, curve: Curve): FigureCommand {
  const [kept, ...gone] = chain.items;
  const commands: SingleFigureCommand[] = [];
  if (document.rail.item !== kept) {
    commands.push({ name: 'setRail', rail: { ...document.rail, item: kept! } });
  }
  const item = itemOf(document, kept!) as CurveItem;
  if (item.lockedJoints) commands.push({ name: 'patchItem', item: kept!, set: {}, clear: ['lockedJoints'] });
  commands.push({ name: 'setCurve', item: kept!, curve });
  commands.push(...gone.map((id): SingleFigureCommand => ({ name: 'removeItem', item: id })));
  return { name: 'batch', commands };
}

/** How far each piece moves when the pieces drift apart: away from the middle of the whole. */
export function driftOf(pieces: readonly Curve[], distanceApart: number): readonly (readonly number[])[] {
  const middles = pieces.map((piece) => {
    const [a, b] = [pointOfEnd(piece, 'start'), pointOfEnd(piece, 'end')];
    return a.map((value, axis) => (value + b[axis]!) / 2);
  });
  const count = pieces.length;
  const whole = middles[0]!.map((_, axis) => middles.reduce((sum, middle) => sum + middle[axis]!, 0) / count);
  return middles.map((middle, index) => {
    const away = middle.map((value, axis) => value - whole[axis]!);
    const length = Math.hypot(...away);
    // Pieces in one place would not come apart: they go sideways, in their order.
    const [x, y] = length > 1e-12 ? away.map((value) => value / length) : [index - (count - 1) / 2, 0];
    return [x! * distanceApart, y! * distanceApart];
  });
}
