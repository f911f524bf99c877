import type { Curve, Point } from '@bogen/core/curve';
import type { Told } from '@bogen/core/lesson';
import type { Evaluation, FigureDocument, Grip, ItemColor, PointKind } from '@bogen/core/figure';

/** A figure at one moment, and what its items came to. */
export interface FigureState {
  readonly document: FigureDocument;
  readonly evaluation: Evaluation;
}

/** A place that a grip on the move snaps to, or beside which something is said of it, in words. */
export interface Snap {
  readonly at: Point;
  readonly words: string;
  /** The end of a curve has come to lie on another end, which is said at once. */
  readonly isEnd?: true;
}

/** Why a gesture can't go on, at the place of the drawing where the hand is. */
export interface Refused {
  readonly told: Told;
  readonly at: Point;
}

/** A point of a curve, where it is pointed at, focused or held. */
export type Picked = Extract<Grip, { readonly of: PointKind }>;

/** Several grips on one place, of which one is to be chosen. */
export interface Question {
  readonly grips: readonly Grip[];
  readonly pane: string;
  /** Where it is asked, in pixels of the pane. */
  readonly at: readonly [number, number];
}

/** The support that is lit on curve, knots and basis. */
export interface LitSupport {
  readonly item: string;
  readonly index: number;
  readonly from: number;
  readonly to: number;
}

/**
 * What one owner, a tool or a panel, would make: drawn over the figure before it is part of the document. Several
 * can stand at once, all in one style; each goes with its owner.
 */
export interface FigurePreview {
  /** What it would come to. */
  readonly curve?: Curve;
  /** Several curves that it would come to, each in its own colour, with their polygons. */
  readonly curves?: readonly { readonly curve: Curve; readonly color: ItemColor }[];
  /** Where points would go, each from where it is now. */
  readonly arrows?: readonly (readonly [Point, Point])[];
  /** Places that were set. */
  readonly places: readonly Point[];
  /** Handles, each a line through its node. */
  readonly pulls: readonly (readonly [Point, Point])[];
  /** Whether the places are joined by a polygon. */
  readonly polygon: boolean;
  /** What of the present curve would go. */
  readonly goes?: readonly Curve[];
  /** Its mirror image. */
  readonly image?: Curve | undefined;
  /** The mirror line, by two places. */
  readonly axis?: readonly [Point, Point] | undefined;
  /** Whether it is about the parameter: its ticks are drawn along the curve, and the tracks of what it would come to. */
  readonly parameter?: boolean;
  /** A freehand stroke as it is drawn. */
  readonly stroke?: readonly Point[];
  /** Numbers at the places that they are about. */
  readonly numbers?: readonly { readonly at: Point; readonly text: string }[];
}

/** Who can show a preview. */
export type PreviewOwner = 'drawing' | 'hand' | 'change' | 'joint' | 'apart';

/** Places of the figure that a panel waits for. */
export interface Picking {
  readonly count: number;
  readonly places: readonly Point[];
  readonly done: (places: readonly Point[]) => void;
}

/** Places and lines that a panel of numbers points at. */
export interface Highlight {
  readonly places: readonly Point[];
  readonly lines: readonly (readonly [Point, Point])[];
}
