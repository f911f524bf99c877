import { Store } from './store.js';

/** A place of the rail's curve whose parameter value is held, and the value that it gets. */
export interface Pin {
  readonly at: number;
  /** The one that it has, where none is given. */
  readonly value?: number | undefined;
}

/** How long what is pulled is gathered before the panel is told: it computes more than fits into a frame. */
const restMs = 50;

/** The values that a panel holds while it evens out the parameter: on the curve and on the rail they can be pulled. */
export class Pins extends Store {
  private list_: readonly Pin[] | null = null;
  private change: (pins: readonly Pin[]) => void = () => undefined;
  private waiting: ReturnType<typeof setTimeout> | undefined;

  /** Nothing while no panel asks for pins. */
  get list(): readonly Pin[] | null {
    return this.list_;
  }

  /** Shows the pins of a panel, which is told how they are pulled. */
  show(list: readonly Pin[] | null, change: (pins: readonly Pin[]) => void = () => undefined): void {
    this.change = change;
    if (list === null) this.forget();
    // What the hand did since is newer than what the panel knows.
    if (list === this.list_ || this.waiting !== undefined) return;
    this.list_ = list;
    this.changed();
  }

  /** One of them pulled, or taken away. The marks follow at once, the panel and what it computes a little later. */
  set(index: number, pin: Pin | null): void {
    const list = this.list_ ?? [];
    this.list_ = pin ? list.with(index, pin) : list.toSpliced(index, 1);
    this.changed();
    this.waiting ??= setTimeout(() => {
      this.forget();
      if (this.list_) this.change(this.list_);
    }, restMs);
  }

  private forget(): void {
    clearTimeout(this.waiting);
    this.waiting = undefined;
  }
}

/** The parameter value that a pin holds. */
export const heldValue = ({ at, value }: Pin): number => value ?? at;
