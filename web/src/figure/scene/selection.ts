import { gripKey, type Grip } from '@bogen/core/figure';
import type { Question } from './sceneParts.js';
import { Store } from './store.js';

/** The grips that are taken together, whether presses select, and which of several on one place is meant. */
export class Selection extends Store {
  private grips_: readonly Grip[] = [];
  private selecting_ = false;
  private question_: Question | null = null;
  private raised_: string | null = null;

  /** The grips that are taken together: dragged, nudged, scaled and turned as one. */
  get grips(): readonly Grip[] {
    return this.grips_;
  }

  select(grips: readonly Grip[]): void {
    if (grips.length === 0 && this.grips_.length === 0) return;
    this.grips_ = grips;
    this.changed();
  }

  has(grip: Grip): boolean {
    const key = gripKey(grip);
    return this.grips_.some((other) => gripKey(other) === key);
  }

  /** Adds a grip, or takes it out. */
  toggle(grip: Grip): void {
    const key = gripKey(grip);
    const others = this.grips_.filter((other) => gripKey(other) !== key);
    this.select(others.length < this.grips_.length ? others : [...others, grip]);
  }

  /** Leaves out what is not there any more. */
  keep(isThere: (grip: Grip) => boolean): void {
    const kept = this.grips_.filter(isThere);
    if (kept.length < this.grips_.length) this.select(kept);
  }

  /** Whether presses select instead of moving. */
  get selecting(): boolean {
    return this.selecting_;
  }

  setSelecting(selecting: boolean): void {
    this.selecting_ = selecting;
    this.changed();
  }

  /** Which of several grips on one place is meant, while it is asked. */
  get question(): Question | null {
    return this.question_;
  }

  ask(question: Question | null): void {
    this.question_ = question;
    this.changed();
  }

  /** The grip that was chosen of several on one place: it lies above the others. */
  isRaised(grip: Grip): boolean {
    return this.raised_ === gripKey(grip);
  }

  raise(grip: Grip | null): void {
    const key = grip && gripKey(grip);
    if (key === this.raised_) return;
    this.raised_ = key;
    this.changed();
  }
}
