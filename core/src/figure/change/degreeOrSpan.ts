import { elevateDegree } from '../../curve/elevateDegree.js';
import type { Curve } from '../../curve/curve.js';
import { insertKnot } from '../../curve/insertKnot.js';
import { spansOf } from '../../curve/knotVector.js';
import type { FigureCommand } from '../command/commands.js';
import type { FigureDocument } from '../document/document.js';
import type { CurveItem, FigureItem } from '../document/item.js';

/** A curve with a degree more, and with a span more: both have the shape of the curve itself. */
export interface DegreeOrSpan {
  readonly degree: Curve;
  readonly span: Curve;
}

/**
 * The same curve in two ways with more freedom: its degree raised by one, and its longest span cut in the middle by a
 * simple knot (P&T 5.2, 5.5).
 * @throws CurveError `degree` where the degree can't be raised
 */
export function degreeOrSpan(curve: Curve): DegreeOrSpan {
  const longest = spansOf(curve.knots, curve.degree).reduce((best, span) =>
    span.end - span.start > (best.end - best.start) * (1 + 1e-9) ? span : best,
  );
  return { degree: elevateDegree(curve), span: insertKnot(curve, (longest.start + longest.end) / 2) };
}

/** The command that sets both beside each other, in two panes with linked moves and their combs shown. */
export function sideBySideCommand(
  document: FigureDocument,
  item: CurveItem,
  { degree, span }: DegreeOrSpan,
  ids: readonly [string, string],
  names: readonly [string, string],
): FigureCommand {
  const { id: _, lockedJoints: _locks, hidden: _hidden, locked: _locked, ...attributes } = item;
  const made = ([degree, span] as const).map((curve, index): FigureItem => ({
    ...attributes,
    id: ids[index]!,
    name: names[index]!.slice(-200),
    curve,
    shown: { ...item.shown, comb: true },
  }));
  const at = document.items.length;
  return {
    name: 'batch',
    commands: [
      ...made.map((one, index) => ({ name: 'addItem', item: one, at: at + index }) as const),
      { name: 'setLooks', looks: { sideBySide: [ids[0], ids[1]] } },
      { name: 'setRail', rail: { ...document.rail, item: ids[1] } },
    ],
  };
}
