import type { Highlight, Picked } from './sceneParts.js';
import { Store } from './store.js';

/** What is pointed at: a point of a curve, in the figure, on the rail or in a table; places that a panel of numbers means. */
export class Pointed extends Store {
  private picked_: Picked | null = null;
  private knot_: number | null = null;
  private highlight_: Highlight | null = null;

  get picked(): Picked | null {
    return this.picked_;
  }

  pick(picked: Picked | null): void {
    if (picked === this.picked_) return;
    this.picked_ = picked;
    this.changed();
  }

  /** The value of the knot on the rail that was last focused, as long as there is one. */
  get knot(): number | null {
    return this.knot_;
  }

  pickKnot(knot: number | null): void {
    if (knot === this.knot_) return;
    this.knot_ = knot;
    this.changed();
  }

  get highlight(): Highlight | null {
    return this.highlight_;
  }

  setHighlight(highlight: Highlight | null): void {
    if (highlight === this.highlight_) return;
    this.highlight_ = highlight;
    this.changed();
  }
}
