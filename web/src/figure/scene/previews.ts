import type { Curve } from '@bogen/core/curve';
import type { FigurePreview, PreviewOwner, Refused, Snap } from './sceneParts.js';
import { Store } from './store.js';

/** A preview of what the figure is in the frame that is drawn. */
export type FollowingPreview = () => FigurePreview | null;

/** What tools, panels and the hand would make, each with its owner, and what the grip in the hand snaps to. */
export class Previews extends Store {
  private readonly shown = new Map<PreviewOwner, FigurePreview | FollowingPreview>();
  private snapped_: Snap | null = null;
  private refused_: Refused | null = null;

  /** In the order in which their owners began to show them. */
  get all(): readonly FigurePreview[] {
    return [...this.shown.values()].flatMap((shown) =>
      typeof shown === 'function' ? (shown() ?? []) : [shown],
    );
  }

  /** What a panel would make of the rail's curve with another parameter. */
  get reparametrised(): Curve | undefined {
    // It is asked for by every track in every frame: what follows the figure is not worked out for it.
    for (const shown of this.shown.values())
      if (typeof shown !== 'function' && shown.parameter) return shown.curve;
    return undefined;
  }

  /** Shows what an owner would make, in the place of what it showed before; `null` takes it away. */
  show(owner: PreviewOwner, preview: FigurePreview | FollowingPreview | null): void {
    if (preview) this.shown.set(owner, preview);
    else if (!this.shown.delete(owner)) return;
    this.changed();
  }

  /** Why the hand can't go on, and where it is. */
  get refused(): Refused | null {
    return this.refused_;
  }

  setRefused(refused: Refused | null): void {
    if (refused === this.refused_) return;
    this.refused_ = refused;
    this.changed();
  }

  get snapped(): Snap | null {
    return this.snapped_;
  }

  setSnapped(snapped: Snap | null): void {
    if (snapped === this.snapped_) return;
    this.snapped_ = snapped;
    this.changed();
  }
}
