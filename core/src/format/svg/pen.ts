import type { Point } from '../../curve/curve.js';
import type { Pen, PenColours } from '../../figure/drawn/pen.js';
import { number as exactly } from './path.js';
import { escaped, letterWidth, type Paper } from './paper.js';

/** What is drawn with pixels becomes so large on paper, in millimetres. */
export const pixel = 0.2;

/** A pair of pixels. */
type Pair = readonly [number, number];

/** A number of the drawing in as many digits as paper shows: tracks are read by the eye. */
const number = (value: number): string => exactly(Number(value.toPrecision(7)));

/** Into how many lines an arc of a curve is taken apart where it leaves the frame. */
const piecesOfCurve = 16;

/**
 * Draws into a part of an SVG what is drawn by pixels on the screen: lines, surfaces and texts. What lies above or below a
 * frame of so many pixels is left out.
 */
export class SvgPen implements Pen {
  readonly elements: string[] = [];
  strokeStyle: unknown = '#000';
  fillStyle: unknown = '#000';
  globalAlpha = 1;
  lineWidth = 1;
  lineJoin: Pen['lineJoin'] = 'miter';
  font = '10px sans-serif';
  textAlign: Pen['textAlign'] = 'start';
  textBaseline: Pen['textBaseline'] = 'alphabetic';
  #dash: readonly number[] = [];
  #data: string[] = [];
  /** Where the path stands, and where its part began. */
  #at: Pair | undefined;
  #start: Pair | undefined;
  /** The last place that is written, so that a line that goes on from it needs no beginning. */
  #written: Pair | undefined;

  /**
   * @param corner the upper left corner of the frame, in the drawing's unit
   * @param height pixels of the frame
   */
  constructor(
    private readonly paper: Paper,
    private readonly corner: Point,
    private readonly height: number,
  ) {}

  beginPath(): void {
    this.#data = [];
    this.#at = this.#start = this.#written = undefined;
  }

  moveTo(x: number, y: number): void {
    this.#at = this.#start = [x, y];
  }

  lineTo(x: number, y: number): void {
    const to: Pair = [x, y];
    if (this.#at) this.#line(this.#at, to);
    else this.#start = to;
    this.#at = to;
  }

  quadraticCurveTo(controlX: number, controlY: number, x: number, y: number): void {
    const from = this.#at ?? [controlX, controlY];
    const [control, to]: [Pair, Pair] = [
      [controlX, controlY],
      [x, y],
    ];
    if ([from, control, to].every((each) => this.#isWithin(each))) {
      this.#goTo(from);
      this.#data.push(`Q${this.#place(control)} ${this.#place(to)}`);
      this.#written = to;
    } else {
      let last = from;
      for (let piece = 1; piece <= piecesOfCurve; piece++) {
        const t = piece / piecesOfCurve;
        const at = (axis: 0 | 1): number =>
          (1 - t) ** 2 * from[axis] + 2 * t * (1 - t) * control[axis] + t ** 2 * to[axis];
        const next: Pair = [at(0), at(1)];
        this.#line(last, next);
        last = next;
      }
    }
    this.#at = to;
  }

  arc(x: number, y: number, radius: number, from: number, to: number): void {
    const at = (angle: number): Pair => [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
    const r = number(this.#length(radius));
    this.#goTo(at(from));
    // Halves at most: an arc from a place to itself would be nothing.
    const middle = (from + to) / 2;
    for (const angle of [middle, to]) this.#data.push(`A${r} ${r} 0 0 1 ${this.#place(at(angle))}`);
    this.#at = this.#written = at(to);
    this.#start ??= at(from);
  }

  closePath(): void {
    if (this.#written) this.#data.push('Z');
    this.#at = this.#start;
    this.#written = undefined;
  }

  stroke(): void {
    if (this.#data.length === 0) return;
    const dash = this.#dash.map((length) => number(this.#length(length))).join(' ');
    this.#put(
      `<path d="${this.#data.join('')}" fill="none" stroke="${String(this.strokeStyle)}" stroke-width="${number(this.#length(this.lineWidth))}"${dash && ` stroke-dasharray="${dash}"`}${this.#faint('stroke')}/>`,
    );
  }

  fill(): void {
    if (this.#data.length === 0) return;
    this.#put(`<path d="${this.#data.join('')}" fill="${String(this.fillStyle)}"${this.#faint('fill')}/>`);
  }

  fillRect(x: number, y: number, width: number, height: number): void {
    const [left, top] = this.#onPaper([x, Math.min(y, y + height)]);
    const [across, down] = [width, Math.abs(height)].map((length) => number(this.#length(length)));
    this.#put(
      `<rect x="${number(left)}" y="${number(-top)}" width="${across}" height="${down}" fill="${String(this.fillStyle)}"${this.#faint('fill')}/>`,
    );
  }

  fillText(text: string, x: number, y: number): void {
    const size = this.#size();
    const down =
      { top: 0.8 * size, hanging: 0.8 * size, middle: 0.35 * size }[this.textBaseline as string] ?? 0;
    const [left, base] = this.#onPaper([x, y + down]);
    const anchor = { right: 'end', end: 'end', center: 'middle' }[this.textAlign as string];
    this.#put(
      `<text x="${number(left)}" y="${number(-base)}" font-size="${number(this.#length(size))}" font-family="sans-serif"${anchor ? ` text-anchor="${anchor}"` : ''} fill="${String(this.fillStyle)}">${escaped(text)}</text>`,
    );
  }

  /** At most so wide: who reads the file has fonts of their own. */
  measureText(text: string): { width: number } {
    return { width: [...text].length * letterWidth * this.#size() };
  }

  setLineDash(lengths: number[]): void {
    this.#dash = lengths;
  }

  #put(element: string): void {
    this.elements.push(element);
  }

  #size(): number {
    return parseFloat(this.font);
  }

  #faint(of: 'fill' | 'stroke'): string {
    return this.globalAlpha < 1 ? ` ${of}-opacity="${number(this.globalAlpha)}"` : '';
  }

  #length(pixels: number): number {
    return this.paper.length(pixels * pixel);
  }

  #onPaper([x, y]: Pair): [number, number] {
    return [this.corner[0]! + this.#length(x), this.corner[1]! - this.#length(y)];
  }

  #place(at: Pair): string {
    const [x, y] = this.#onPaper(at);
    return `${number(x)} ${number(-y)}`;
  }

  #isWithin([, y]: Pair): boolean {
    return y >= 0 && y <= this.height;
  }

  /** Begins a part of the path where it does not go on. */
  #goTo(at: Pair): void {
    const last = this.#written;
    if (last?.[0] !== at[0] || last[1] !== at[1]) this.#data.push(`M${this.#place(at)}`);
    this.#written = at;
  }

  /** A straight line, as far as it lies within the frame. */
  #line(from: Pair, to: Pair): void {
    const [low, high] = [Math.min(from[1], to[1]), Math.max(from[1], to[1])];
    // Also where it is no number: a value that is infinite has no place.
    if (!(low <= this.height && high >= 0 && Number.isFinite(high - low))) return;
    const across = (y: number): Pair => [
      from[0] + ((to[0] - from[0]) * (y - from[1])) / (to[1] - from[1]),
      y,
    ];
    const within = (at: Pair): Pair =>
      this.#isWithin(at) ? at : across(Math.min(this.height, Math.max(0, at[1])));
    const end = within(to);
    this.#goTo(within(from));
    this.#data.push(`L${this.#place(end)}`);
    this.#written = end;
  }
}

/** The colours of tracks on paper. */
export const penColours = (paper: Paper, spans: readonly string[]): PenColours => ({
  ink: '#1b2530',
  soft: paper.soft,
  strong: paper.soft,
  accent: '#1b2530',
  spans: paper.isColoured ? spans : ['#000'],
});
