import type { Curve } from '../../curve/curve.js';
import { polesOf } from '../../curve/betweenPoles.js';
import { interiorKnots } from '../../curve/knotVector.js';
import type { LinearScale } from '../drawn/linearScale.js';
import type { Pen, PenColours } from '../drawn/pen.js';

/** A support on the axis, with the index of its basis function. */
interface TrackSupport {
  readonly index: number;
  readonly from: number;
  readonly to: number;
}

/** How numbers and names are written in a track. */
export interface TrackWords {
  /** A value of a function, or a parameter. */
  readonly number: (value: number) => string;
  /** A number of any size, in powers of ten where it is very small or large. */
  readonly scientific: (value: number) => string;
  /** A power of ten. */
  readonly power: (exponent: number) => string;
  /** A knot, as an exact number where that is wished for and it is one. */
  readonly knot: (value: number, exact: boolean) => string;
  /** The number of what has this index. */
  readonly counted: (index: number) => number;
  /** In what is written: numbers, names of functions, and the numbers below them. */
  readonly fonts: { readonly number: string; readonly name: string; readonly index: string };
}

/** What a track shows. */
export interface TrackContents {
  readonly curve: Curve;
  /** The curve that the rail's curve is compared with. */
  readonly compared: Curve | undefined;
  /** What the rail's curve would become with another parameter, while a panel shows that. */
  readonly made: Curve | undefined;
  /** Whether exact numbers are read as such. */
  readonly exact: boolean;
  /** What else the figure shows of basis functions: their sum, and those without weights. */
  readonly looks: { readonly basisSum: boolean; readonly polynomialBasis: boolean };
  readonly words: TrackWords;
  /** The support to light, where it belongs to the rail's curve. */
  readonly lit: TrackSupport | null;
}

/** What a track draws from. */
export interface TrackInput extends TrackContents {
  readonly pen: Pen;
  readonly axis: LinearScale;
  readonly width: number;
  readonly height: number;
  readonly colours: PenColours;
  /** Where given, only this part of the axis is seen: what lies outside of it need not be drawn. */
  readonly part?: readonly [number, number];
}

type ChangedPart = readonly [number, number] | undefined;

/** How a track is drawn, on the screen and in files. */
export interface TrackDrawing {
  /** Its height where it was not resized. */
  readonly height: number;
  /** Draws what lies below the plot and depends on knots and size alone; it is kept and copied while points move. */
  readonly drawGround?: (input: TrackInput) => void;
  /** Draws the plot; nothing of it is seen beside the axis. */
  readonly draw: (input: TrackInput) => void;
  /** Draws the names in the plot: which of them have room depends on all others, so that they are never drawn in part. */
  readonly drawNames?: (input: TrackInput) => void;
  /** Draws the numbers beside the axis. */
  readonly drawScale?: (input: TrackInput) => void;
  /** What its drawing depends on; it is drawn again only when one of these is another object. */
  readonly dependsOn: (contents: TrackContents) => readonly unknown[];
  /**
   * The part of the axis outside of which the track is drawn alike for two curves of its contents, so that a drag draws
   * only that part of it; nothing where all of it can be another.
   */
  readonly changed?: (before: TrackContents, now: TrackContents, height: number) => ChangedPart;
  /** What it comes to at a parameter, as short texts. */
  readonly valuesAt: (contents: TrackContents, u: number) => readonly string[];
  /** The basis function under a place of the plot, for tracks that have some. */
  readonly pickAt?: (input: Omit<TrackInput, 'pen' | 'colours'>, x: number, y: number) => number | null;
}

/**
 * A vertical dotted line at every interior knot, so that the eye can go from track to track, and one of dashes and dots
 * where the curve runs to infinity.
 */
export function drawKnotLines({ pen, curve, axis, height, colours }: TrackInput): void {
  pen.beginPath();
  for (const { value } of interiorKnots(curve.knots, curve.degree)) {
    const x = Math.round(axis(value)) + 0.5;
    pen.moveTo(x, 0);
    pen.lineTo(x, height);
  }
  pen.setLineDash([1.5, 4]);
  pen.strokeStyle = colours.strong;
  pen.lineWidth = 1;
  pen.stroke();
  pen.beginPath();
  for (const { parameter } of polesOf(curve)) {
    pen.moveTo(axis(parameter), 0);
    pen.lineTo(axis(parameter), height);
  }
  pen.setLineDash([7, 4, 1.5, 4]);
  pen.strokeStyle = colours.soft;
  pen.stroke();
  pen.setLineDash([]);
}

/** The lit support as a band down the track. */
export function drawLitBand({ pen, axis, height, colours, lit }: TrackInput): void {
  if (!lit) return;
  pen.fillStyle = colours.accent;
  pen.globalAlpha = 0.1;
  pen.fillRect(axis(lit.from), 0, axis(lit.to) - axis(lit.from), height);
  pen.globalAlpha = 1;
}
