import { Store } from './store.js';

/** The cursor's parameter, and the part of the parameter axis that the rail shows. */
export class ParameterWindow extends Store {
  private window_: readonly [number, number] | null = null;

  /** `null` is the whole domain. */
  get window(): readonly [number, number] | null {
    return this.window_;
  }

  setWindow(window: readonly [number, number] | null): void {
    this.window_ = window;
    this.changed();
  }
}
