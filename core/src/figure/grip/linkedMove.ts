import type { Point } from '../../curve/curve.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { distance } from '../../curve/vector.js';
import type { FigureCommand, SingleFigureCommand } from '../command/commands.js';
import { itemOf, type FigureDocument } from '../document/document.js';
import { looksOf } from '../document/seen.js';
import type { CurveItem } from '../document/item.js';

/** A command that moves one point of a curve. */
export type PointMove = Extract<
  SingleFigureCommand,
  { readonly name: 'moveControlPoint' } | { readonly name: 'moveEditPoint' }
>;

/**
 * A move of a control point of one of two curves that stand side by side, with the same move of the same
 * point of the other: the one with its index where both have as many points, and else the nearest one.
 * Every other move stays as it is.
 */
export function withLinkedMove(document: FigureDocument, move: PointMove): FigureCommand {
  const pair = looksOf(document).sideBySide;
  if (!pair?.includes(move.item) || move.name !== 'moveControlPoint') return move;
  const item = itemOf(document, move.item);
  const other = itemOf(document, pair[0] === move.item ? pair[1] : pair[0]);
  if (item?.kind !== 'curve' || other?.kind !== 'curve' || other.locked || other.faint) return move;
  const from = item.curve.points[move.index];
  if (!from) return move;
  const index = samePoint(item, other, move.index, from);
  const to = other.curve.points[index]!.map((value, axis) => value + move.to[axis]! - from[axis]!);
  return { name: 'batch', commands: [move, { ...move, item: other.id, index, to }] };
}

function samePoint(item: CurveItem, other: CurveItem, index: number, from: Point): number {
  const count = distinctPointCount(other.curve);
  if (count === distinctPointCount(item.curve)) return index;
  let nearest = 0;
  for (let k = 1; k < count; k++) {
    if (distance(other.curve.points[k]!, from) < distance(other.curve.points[nearest]!, from)) nearest = k;
  }
  return nearest;
}
