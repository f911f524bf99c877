import type { LocalSteps } from '../../src/saving/localSteps.js';
import type { AsideStep, LeftSteps, UnsentStep } from '../../src/saving/unsent.js';

/** What rests on a device, in a variable: a page that is opened anew takes over what the one before left. */
export class MemoryDevice<Command> {
  left: LeftSteps<Command>[] = [];
  aside: AsideStep<Command>[] = [];
  full = false;

  /** What one page sees of it. */
  open(): LocalSteps<Command> {
    let own: LeftSteps<Command> | undefined;
    const left = [...this.left];
    return {
      left,
      aside: [...this.aside],
      write: (base, unsent: readonly UnsentStep<Command>[]) => {
        this.left = this.left.filter((one) => one !== own);
        own = unsent.length > 0 ? { base, unsent: [...unsent] } : undefined;
        if (own) this.left.push(own);
      },
      forgetLeft: () => {
        this.left = this.left.filter((one) => !left.includes(one));
      },
      setAside: (steps) => void this.aside.push(...steps),
      forgetAside: () => {
        this.aside = [];
      },
      onTrouble: (listener) => listener(this.full),
      close: () => undefined,
    };
  }
}
