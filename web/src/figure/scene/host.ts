import type { Point } from '@bogen/core/curve';
import type { Allowance, FigureCommand, FigureDocument, Grip } from '@bogen/core/figure';
import type { Projection } from '../geometry/projection.js';
import type { FigureState, Snap } from './sceneParts.js';

/**
 * How far a figure's document has come: still awaited, so that nothing of it is drawn and only its place is
 * kept; known, so that it can be looked at; or here, so that everything can be done with it.
 */
export type Arrival = 'awaited' | 'known' | 'here';

/**
 * A figure is *at rest*, when all that is seen is done; *in the hand*, while a gesture or a form shows what would
 * be; or *playing*, while it moves by itself from one state to another. Who asks says which of them it means.
 */
export type Motion = 'rest' | 'hand' | 'playing';

/** A picture that was kept: its id, and its size in its own pixels. */
export interface KeptPicture {
  readonly id: string;
  readonly width: number;
  readonly height: number;
}

/** What a figure on the screen needs from whoever owns its document. */
export interface FigureHost {
  /** The document as it is to be seen now. */
  readonly read: () => FigureDocument;
  readonly subscribe: (listener: () => void) => () => void;
  /** What is happening to the figure that `read` gives. */
  readonly motion: () => Motion;
  /** Shows what a command would come to, with what locked joints ask besides. @throws CommandError where it does not fit */
  readonly preview: (command: FigureCommand | null) => void;
  /** Does it, as one step. @throws CommandError where it does not fit */
  readonly do: (command: FigureCommand) => void;
  /** How far the document has come; where it is not given it is here. */
  readonly arrival?: () => Arrival;
  /**
   * The place that a grip on the move snaps to, where it is to snap to something, and what that is.
   * @param now the figure as it is seen
   * @param before the figure as it was when the grip was taken
   */
  readonly snap?: (
    now: FigureState,
    grip: Grip,
    pointer: Point,
    before: FigureState,
    projection: Projection,
  ) => Snap | null;
  /** Ends what plays: the figure is at once what it is going to be. */
  readonly arrive?: () => void;
  /** Nobody is kept from moving anything here, so that no point is marked as fixed. */
  readonly isFree?: boolean;
  /** Lets readers do something more, for whoever writes what they read; and for nobody else. */
  readonly letReaders?: (allowance: Allowance) => void;
  /** Keeps a picture to draw over, where the server does not; see `KeptPicture`. */
  readonly keepPicture?: (file: File) => Promise<KeptPicture>;
  /** Whether whoever is here may give this command. The answer is core's, by what the document says. */
  readonly may: (command: FigureCommand) => boolean;
}

/** A figure that is only looked at. */
export function stillHost(document: FigureDocument): FigureHost {
  return {
    read: () => document,
    subscribe: () => () => undefined,
    motion: () => 'rest',
    preview: () => undefined,
    do: () => undefined,
    may: () => false,
  };
}
