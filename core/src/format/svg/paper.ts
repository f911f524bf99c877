import type { Point } from '../../curve/curve.js';
import { itemOf, type FigureDocument } from '../../figure/document/document.js';
import type { FigureItem, ItemColor } from '../../figure/document/item.js';
import { usualNotation, type Notation } from '../../notation/notation.js';
import { number } from './path.js';

/** The colours of the light theme, which a drawing has on paper too. */
const colours: Readonly<Record<ItemColor, string>> = {
  ink: '#1b2530',
  teal: '#0d6e84',
  ochre: '#c07610',
  plum: '#70306e',
  moss: '#5a8a26',
  indigo: '#3d4ca8',
  coral: '#d4675a',
};
/** Those of spans, in their order, which comes again after the last. */
export const spanColours: readonly string[] = [
  colours.teal,
  colours.ochre,
  colours.plum,
  colours.moss,
  colours.indigo,
  colours.coral,
];

/** A part of a drawing: its elements, and places that its page has to hold, both in the drawing's unit. */
export interface Part {
  readonly elements: readonly string[];
  readonly places: readonly Point[];
}

/** How wide a letter is at most, as part of its height. */
export const letterWidth = 0.62;

/** How what is drawn comes onto paper: colours, sizes in millimetres of paper, names. */
export class Paper {
  constructor(
    readonly document: FigureDocument,
    private readonly style: 'screen' | 'print',
    private readonly scale: number,
    readonly notation: Notation = usualNotation,
  ) {}

  /** Whether spans have colours. */
  get isColoured(): boolean {
    return this.style === 'screen';
  }

  colour(item: FigureItem): string {
    return this.isColoured ? colours[item.color ?? 'ink'] : '#000';
  }

  /** Of what stands beside the curves. */
  get soft(): string {
    return this.isColoured ? '#5d6670' : '#000';
  }

  isOnRail({ id }: FigureItem): boolean {
    return this.document.rail.item === id && itemOf(this.document, id) !== undefined;
  }

  /** A length on paper, in the drawing's unit. */
  length(millimetres: number): number {
    return millimetres / this.scale;
  }

  /** The same, as it is written. */
  written(millimetres: number): string {
    return number(this.length(millimetres));
  }

  /**
   * A text at a place, or a letter with an index below it.
   * @param height of its letters, in millimetres on paper
   */
  text(
    [x, y]: Point,
    words: string | readonly [string, number],
    {
      height = 3,
      anchor = 'start',
      colour,
    }: { height?: number; anchor?: 'start' | 'middle' | 'end'; colour: string },
  ): Part {
    const [word, index] = typeof words === 'string' ? [words, ''] : words;
    const size = this.length(height);
    const below =
      index === ''
        ? ''
        : `<tspan font-size="${number(0.7 * size)}" dy="${number(0.2 * size)}">${index}</tspan>`;
    const width = ([...word].length + 0.7 * String(index).length) * letterWidth * size;
    const left = x! - (anchor === 'middle' ? width / 2 : anchor === 'end' ? width : 0);
    return {
      elements: [
        `<text x="${number(x!)}" y="${number(-y!)}" font-size="${number(size)}" font-family="sans-serif"` +
          `${anchor === 'start' ? '' : ` text-anchor="${anchor}"`} fill="${colour}">${escaped(word)}${below}</text>`,
      ],
      places: [
        [left, y! - 0.3 * size],
        [left + width, y! + size],
      ],
    };
  }
}

/** A text of the drawing; signs that XML has not are left out. */
export const escaped = (text: string): string =>
  [...text]
    .filter((sign) => sign >= ' ' && !/[\ufffe\uffff]|^[\ud800-\udfff]$/.test(sign))
    .join('')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;');
