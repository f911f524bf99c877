import { unionOf, type UnionField } from '../../describe/describe.js';
import type { SingleFigureCommand } from '../command/commands.js';
import type { FigureItem } from '../document/item.js';
import type { Measured } from '../measure/define.js';
import { apart, type ApartControl } from './apart.js';
import { cursor, type CursorControl } from './cursor.js';
import type { ControlMember, ControlRange } from './define.js';
import { degree, type DegreeControl } from './degree.js';
import { knot, type KnotControl } from './knot.js';
import { rho, type RhoControl } from './rho.js';
import { weight, type WeightControl } from './weight.js';

/** A value of a figure that is set from its text. */
export type Control = CursorControl | KnotControl | WeightControl | RhoControl | DegreeControl | ApartControl;
export type ControlKind = Control['of'];

/** Everything that can be set from a text. A new one is a file beside these, and a line for its type and one for itself here. */
export const controls: {
  readonly [Kind in ControlKind]: ControlMember<Extract<Control, { readonly of: Kind }>>;
} = { cursor, knot, weight, rho, degree, apart };

const memberOf = (kind: ControlKind): ControlMember<Control> =>
  controls[kind] as unknown as ControlMember<Control>;

export const controlDescription = unionOf('of', controls) as UnionField<Control>;

/** Where a control stands now; nothing where what it sets is not there. */
export const controlRange = (control: Control, of: Measured): ControlRange | undefined =>
  memberOf(control.of).range(control, of);

/** What sets a control to a value; nothing where that is no change of the figure. */
export const controlCommand = (
  control: Control,
  value: number,
  of: Measured,
): SingleFigureCommand | undefined => memberOf(control.of).command(control, value, of);

/** Everything of an item that can be set from a text. */
export const offeredControls = (item: FigureItem, of: Measured): Control[] =>
  (Object.keys(controls) as ControlKind[]).flatMap((kind) => memberOf(kind).offers(item, of));
