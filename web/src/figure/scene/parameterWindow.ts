import { Store } from './store.js';

/** The cursor's parameter, and the part of the parameter axis that the rail shows. */
export class ParameterWindow extends Store {
  private cursor_: number | undefined;
  private window_: readonly [number, number] | null = null;

  /** Where the cursor was put; nothing as long as nobody did. It may lie outside a domain that has changed since. */
  get cursor(): number | undefined {
    return this.cursor_;
  }

  moveCursor(u: number): void {
    if (u === this.cursor_) return;
    this.cursor_ = u;
    this.changed();
  }

  /** `null` is the whole domain. */
  get window(): readonly [number, number] | null {
    return this.window_;
  }

  setWindow(window: readonly [number, number] | null): void {
    this.window_ = window;
    this.changed();
  }
}
