import type { FigureCommand, FigureDocument, Grip, Point, PointKind } from '@bogen/core';
import type { Plane } from './plane.js';
import type { FigureScene } from './scene.js';
import type { FigureState, Snap } from './sceneParts.js';

/**
 * How far a figure's document has come: still awaited, so that nothing of it is drawn and only its place is
 * kept; known, so that it can be looked at; or here, so that everything can be done with it.
 */
export type Arrival = 'awaited' | 'known' | 'here';

/** What a figure on the screen needs from whoever owns its document. */
export interface FigureHost {
  /** The document as it is to be seen now. */
  readonly read: () => FigureDocument;
  readonly subscribe: (listener: () => void) => () => void;
  /** Whether what `read` gives is done, and not the preview of a drag. */
  readonly settled: () => boolean;
  readonly preview: (command: FigureCommand | null) => void;
  readonly do: (command: FigureCommand) => void;
  /** How far the document has come; where it is not given it is here. */
  readonly arrival?: () => Arrival;
  /** Whether the whole drawing may be changed: points added, shapes and reference points moved. */
  readonly draws?: boolean;
  /**
   * The place that a grip on the move is drawn to, where it is to be drawn to something, and to what.
   * @param before the figure as it was when the grip was taken
   */
  readonly snap?: (
    scene: FigureScene,
    grip: Grip,
    pointer: Point,
    before: FigureState,
    plane: Plane,
  ) => Snap | null;
  /** Whether this reader may move this point. */
  readonly mayMove: (document: FigureDocument, item: string, of: PointKind, index: number) => boolean;
}

/** A figure that is only looked at. */
export function stillHost(document: FigureDocument): FigureHost {
  return {
    read: () => document,
    subscribe: () => () => undefined,
    settled: () => true,
    preview: () => undefined,
    do: () => undefined,
    mayMove: () => false,
  };
}
