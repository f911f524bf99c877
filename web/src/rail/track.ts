import { interiorKnots, polesOf, type Curve } from '@bogen/core/curve';
import type { Looks, TrackName } from '@bogen/core/figure';
import type { LinearScale } from '../figure/geometry/linearScale.js';
import type { ComponentType } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import type { LitSupport } from '../figure/scene/sceneParts.js';
import type { Palette } from '../theme/theme.js';

/** What a track shows. */
export interface TrackContents {
  readonly curve: Curve;
  /** The curve that the rail's curve is compared with. */
  readonly compared: Curve | undefined;
  /** What the rail's curve would become with another parameter, while a panel shows that. */
  readonly made: Curve | undefined;
  /** Whether exact numbers are read as such. */
  readonly exact: boolean;
  readonly looks: Required<Looks>;
  /** The support to light, where it belongs to the rail's curve. */
  readonly lit: LitSupport | null;
}

/** What a track draws from. */
export interface TrackInput extends TrackContents {
  readonly context: CanvasRenderingContext2D;
  readonly axis: LinearScale;
  readonly width: number;
  readonly height: number;
  readonly palette: Palette;
  /** Where given, only this part of the axis is seen: what lies outside of it need not be drawn. */
  readonly part?: readonly [number, number];
}

/** What the marks of a track are laid over. */
export interface TrackMarksProps {
  readonly scene: FigureScene;
  readonly width: number;
  readonly height: number;
}

type ChangedPart = readonly [number, number] | undefined;

/** One plot of the rail. */
export interface Track {
  readonly name: TrackName;
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
  readonly pickAt?: (input: Omit<TrackInput, 'context' | 'palette'>, x: number, y: number) => number | null;
  /** What lies over its plot to be taken hold of. */
  readonly Marks?: ComponentType<TrackMarksProps>;
}

export const plotFont = '11px "JetBrains Mono Variable", monospace';
export const nameFont = '12px "Literata Variable", serif';

/**
 * A vertical dotted line at every interior knot, so that the eye can go from track to track, and one of dashes and dots
 * where the curve runs to infinity.
 */
export function drawKnotLines({ context, curve, axis, height, palette }: TrackInput): void {
  context.beginPath();
  for (const { value } of interiorKnots(curve.knots, curve.degree)) {
    const x = Math.round(axis(value)) + 0.5;
    context.moveTo(x, 0);
    context.lineTo(x, height);
  }
  context.setLineDash([1.5, 4]);
  context.strokeStyle = palette.strong;
  context.lineWidth = 1;
  context.stroke();
  context.beginPath();
  for (const { parameter } of polesOf(curve)) {
    context.moveTo(axis(parameter), 0);
    context.lineTo(axis(parameter), height);
  }
  context.setLineDash([7, 4, 1.5, 4]);
  context.strokeStyle = palette.soft;
  context.stroke();
  context.setLineDash([]);
}

/** The lit support as a band down the track. */
export function drawLitBand({ context, axis, height, palette, lit }: TrackInput): void {
  if (!lit) return;
  context.fillStyle = palette.accent;
  context.globalAlpha = 0.1;
  context.fillRect(axis(lit.from), 0, axis(lit.to) - axis(lit.from), height);
  context.globalAlpha = 1;
}
