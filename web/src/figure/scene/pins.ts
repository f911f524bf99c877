import { Store } from './store.js';

/** A place of the rail's curve whose parameter value is held, and the value that it gets. */
export interface Pin {
  readonly at: number;
  /** The one that it has, where none is given. */
  readonly value?: number | undefined;
}

/** The values that a panel holds while it evens out the parameter: on the curve and on the rail they can be pulled. */
export class Pins extends Store {
  private list_: readonly Pin[] | null = null;
  private change: (pins: readonly Pin[]) => void = () => undefined;

  /** Nothing while no panel asks for pins. */
  get list(): readonly Pin[] | null {
    return this.list_;
  }

  /** Shows the pins of a panel, which is told how they are pulled. */
  show(list: readonly Pin[] | null, change: (pins: readonly Pin[]) => void = () => undefined): void {
    this.change = change;
    if (list === this.list_) return;
    this.list_ = list;
    this.changed();
  }

  /** One of them pulled, or taken away. */
  set(index: number, pin: Pin | null): void {
    const list = this.list_ ?? [];
    this.change(pin ? list.with(index, pin) : list.toSpliced(index, 1));
  }
}

/** The parameter value that a pin holds. */
export const heldValue = ({ at, value }: Pin): number => value ?? at;
