/**
 * A small part of what a figure on the screen is about, with one owner: it counts its changes and tells who
 * listens, so that a component follows the parts that it shows and no others.
 */
export class Store {
  private readonly listeners = new Set<() => void>();
  private count = 0;

  /** @param onChange told of every change, before those who listen */
  constructor(private readonly onChange: () => void = () => undefined) {}

  /** Another number after each change. */
  readonly version = (): number => this.count;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Something in it is another. */
  protected changed(): void {
    this.count++;
    this.onChange();
    this.listeners.forEach((listener) => listener());
  }
}

/** A part that is only a count: which items and marks there are, while points merely move. */
export class Structure extends Store {
  /** Other handles or tracks are wanted. */
  isAnother(): void {
    this.changed();
  }
}
