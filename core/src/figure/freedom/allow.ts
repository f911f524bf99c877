import { singleCommands, type FigureCommand, type SingleFigureCommand } from '../command/commands.js';
import { looseOf, type FigureDocument, type PointKind } from '../document/document.js';
import type { Freedom, FreedomKind } from '../document/freedoms.js';
import { isLoose, nothingLoose } from '../document/loose.js';
import type { FreedomMember } from './define.js';
import { freedoms, isPermitted } from './freedoms.js';

/** Something that readers may be let do: to move a point, or a freedom. */
export type Allowance =
  | { readonly kind: 'point'; readonly item: string; readonly of: PointKind; readonly index: number }
  | Freedom;

const memberOf = (kind: FreedomKind): FreedomMember<Freedom> =>
  freedoms[kind] as unknown as FreedomMember<Freedom>;

/**
 * What readers would have to be let do, so that they may give a command that was just given.
 * @param before the figure on which it was given
 * @returns nothing where they may already, or where no freedom allows it
 */
export function allowanceFor(command: FigureCommand, before: FigureDocument): Allowance | undefined {
  const single = singleCommands(command)[0];
  if (!single) return undefined;
  const point = movedPoint(single);
  if (point) return isLoose(before, point.item, point.of, point.index) ? undefined : point;
  if (isPermitted(single, before, before)) return undefined;
  for (const kind of Object.keys(freedoms) as FreedomKind[]) {
    const freedom = memberOf(kind).from(single, before);
    if (freedom) return freedom;
  }
  return undefined;
}

function movedPoint(single: SingleFigureCommand): Extract<Allowance, { kind: 'point' }> | undefined {
  if (single.name !== 'moveControlPoint' && single.name !== 'moveEditPoint') return undefined;
  const of = single.name === 'moveControlPoint' ? 'controlPoints' : 'editPoints';
  return { kind: 'point', item: single.item, of, index: single.index };
}

/** The command by which readers are let do something more; what they may already stays. */
export function allow(document: FigureDocument, allowance: Allowance): FigureCommand {
  if (allowance.kind === 'point') {
    const { item, of, index } = allowance;
    const indices = [...(looseOf(document, item) ?? nothingLoose)[of], index];
    return { name: 'setLoose', item, of, indices };
  }
  const before = document.readersMay ?? [];
  const { joined } = memberOf(allowance.kind);
  const at = before.findIndex((other) => other.kind === allowance.kind && joined(other, allowance));
  const whole = at < 0 ? allowance : joined(before[at]!, allowance)!;
  return { name: 'setReadersMay', freedoms: at < 0 ? [...before, whole] : before.with(at, whole) };
}

/** The command by which readers are no longer let do what one of the freedoms gives, by its place in the list. */
export function forbid(document: FigureDocument, at: number): FigureCommand {
  return { name: 'setReadersMay', freedoms: (document.readersMay ?? []).toSpliced(at, 1) };
}
