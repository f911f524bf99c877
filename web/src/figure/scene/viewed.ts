import type { Point } from '@bogen/core/curve';
import type { View } from '@bogen/core/figure';
import type { Picking } from './sceneParts.js';
import { Store } from './store.js';

/** The part of the plane that is seen in this page, and the places that a panel waits for. */
export class Viewed extends Store {
  private view_: View | null = null;
  private picking_: Picking | null = null;

  /** What was zoomed and moved to in this page; `null` is the document's view. */
  get view(): View | null {
    return this.view_;
  }

  setView(view: View | null): void {
    this.view_ = view;
    this.changed();
  }

  get picking(): Picking | null {
    return this.picking_;
  }

  /** Lets places be pressed in the figure and hands them over when there are enough. */
  pickPlaces(count: number, done: (places: readonly Point[]) => void): void {
    this.picking_ = { count, places: [], done };
    this.changed();
  }

  placePicked(place: Point): void {
    const { picking_: picking } = this;
    if (!picking) return;
    const places = [...picking.places, place];
    this.picking_ = places.length < picking.count ? { ...picking, places } : null;
    this.changed();
    if (places.length >= picking.count) picking.done(places);
  }

  stopPicking(): void {
    this.picking_ = null;
    this.changed();
  }
}
