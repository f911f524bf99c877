import type { ProseStep } from '@bogen/core/lesson';
import type { Step } from '@tiptap/pm/transform';

/** More than this at once is stored as the whole text. */
const most = 400;

/**
 * The editor's small steps since the last step of the lesson. Letters typed one after the other are joined, so
 * that a word is one step.
 */
export class TypedSteps {
  private steps: Step[] = [];
  /** Whether the steps start from the stored text, and not from what the editor made of it. */
  private fits = false;

  /** @param fits whether the editor holds the stored text as it is */
  begin(fits: boolean): void {
    this.steps = [];
    this.fits = fits;
  }

  add(steps: readonly Step[]): void {
    for (const step of steps) {
      const merged = this.steps.at(-1)?.merge(step);
      if (merged) this.steps[this.steps.length - 1] = merged;
      else this.steps.push(step);
    }
  }

  /** The steps since the last time, as they are stored; `undefined` where the whole text is to be stored instead. */
  take(): readonly ProseStep[] | undefined {
    const { steps, fits } = this;
    this.begin(true);
    if (!fits || steps.length === 0 || steps.length > most) return undefined;
    return steps.map((step) => step.toJSON() as ProseStep);
  }
}
