import type { FigureDocument } from '@bogen/core/figure';

/** What goes along with the address of a presentation: a figure as someone has it, which is seen instead of its stage's own. */
export interface PresentState {
  readonly own?: { readonly place: string; readonly figure: FigureDocument };
  /** From where one came, where that is not the usual place. */
  readonly from?: string;
}
