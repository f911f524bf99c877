import type { Field } from '../../describe/describe.js';
import type { SingleFigureCommand } from '../command/commands.js';
import type { FigureItem } from '../document/item.js';
import type { Measured } from '../measure/define.js';

/** Where a control stands now, and between which values it can be pulled. */
export interface ControlRange {
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly isWhole?: boolean;
  /** Even steps are of the logarithm. */
  readonly isLogarithmic?: boolean;
}

/** A member of the registry of controls: everything about it that is no interface. */
export interface ControlMember<Control> {
  readonly description: Field;
  /** Nothing where what it sets is not there. */
  readonly range: (control: Control, of: Measured) => ControlRange | undefined;
  /** What sets it; nothing where it is no change of the figure, such as the cursor. */
  readonly command: (control: Control, value: number, of: Measured) => SingleFigureCommand | undefined;
  /** What of an item can be set by it, to choose from. */
  readonly offers: (item: FigureItem, of: Measured) => readonly Control[];
}
