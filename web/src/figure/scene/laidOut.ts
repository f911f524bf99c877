import type { Projection } from '../geometry/projection.js';
import { Store } from './store.js';

/** How the panes of a figure are laid out on the page, by the keys of the panes. */
export class LaidOut extends Store {
  private readonly projections = new Map<string, Projection>();

  projectionOf(pane: string): Projection | undefined {
    return this.projections.get(pane);
  }

  /** Dots to the drawing's unit; all panes show the same view. Zero where nothing is laid out yet. */
  get scale(): number {
    return [...this.projections.values()].at(-1)?.scale ?? 0;
  }

  /** A pane is laid out, until the returned function is called. */
  note(pane: string, projection: Projection): () => void {
    this.projections.set(pane, projection);
    this.changed();
    return () => {
      if (this.projections.get(pane) === projection) this.projections.delete(pane);
    };
  }
}
