/**
 * By what is drawn: the part of a browser's drawing context that tracks and marks use, so that what is written once comes
 * onto the screen by that and into a file by another. Places and lengths are pixels, the second axis down.
 */
export interface Pen {
  beginPath(): void;
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  quadraticCurveTo(controlX: number, controlY: number, x: number, y: number): void;
  arc(x: number, y: number, radius: number, from: number, to: number): void;
  closePath(): void;
  stroke(): void;
  fill(): void;
  fillRect(x: number, y: number, width: number, height: number): void;
  fillText(text: string, x: number, y: number): void;
  measureText(text: string): { readonly width: number };
  setLineDash(lengths: number[]): void;
  /** A colour as style sheets write it. */
  strokeStyle: unknown;
  fillStyle: unknown;
  globalAlpha: number;
  lineWidth: number;
  lineJoin: 'bevel' | 'miter' | 'round';
  /** A size in pixels and a family, as style sheets write it. */
  font: string;
  textAlign: 'center' | 'end' | 'left' | 'right' | 'start';
  textBaseline: 'alphabetic' | 'bottom' | 'hanging' | 'ideographic' | 'middle' | 'top';
}

/** The colours that are drawn with. */
export interface PenColours {
  readonly ink: string;
  readonly soft: string;
  /** Lines that are stronger than a grid. */
  readonly strong: string;
  readonly accent: string;
  /** Those of spans, in their order, which comes again after the last. */
  readonly spans: readonly string[];
}
