import { told } from '../../told/told.js';
import { atLine } from '../define.js';

/** One piece of a path, from where the one before ended, in the path's own coordinates. */
export type PathPiece =
  | { readonly kind: 'line'; readonly to: Pair }
  | { readonly kind: 'cubic'; readonly first: Pair; readonly second: Pair; readonly to: Pair }
  | {
      readonly kind: 'arc';
      readonly radii: Pair;
      /** Degrees from the first axis of the path to that of the ellipse. */
      readonly angle: number;
      readonly isLarge: boolean;
      readonly isPositive: boolean;
      readonly to: Pair;
    };
export type Pair = readonly [number, number];

/** A part of a path that is drawn without lifting the pen. */
export interface Subpath {
  readonly start: Pair;
  readonly pieces: readonly PathPiece[];
  readonly isClosed: boolean;
}

const counts: Readonly<Record<string, number>> = {
  M: 2,
  L: 2,
  H: 1,
  V: 1,
  C: 6,
  S: 4,
  Q: 4,
  T: 2,
  A: 7,
  Z: 0,
};
const numeral = /[\s,]*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)/y;
const flag = /[\s,]*([01])/y;
const letter = /[\s,]*([MmLlHhVvCcSsQqTtAaZz])/y;

/**
 * The data of a path by SVG 1.1, chapter 8.3: quadratic pieces as the cubic ones that they are too.
 * @param most pieces, after which it is refused
 * @throws FormatError with the line and what stands there
 */
export function parsePath(data: string, line: number, most: number): Subpath[] {
  const subpaths: Subpath[] = [];
  let at = 0;
  let pieces: PathPiece[] = [];
  let [start, now]: [Pair, Pair] = [
    [0, 0],
    [0, 0],
  ];
  /** The handle that a smooth piece turns over, and of which degree it was. */
  let handle: { readonly of: 'C' | 'Q'; readonly place: Pair } | undefined;
  let count = 0;
  let isOpen = false;
  const take = (pattern: RegExp): string | undefined => {
    pattern.lastIndex = at;
    const found = pattern.exec(data);
    if (!found) return undefined;
    at += found[0].length;
    return found[1];
  };
  const number = (): number => {
    const value = Number(take(numeral) ?? unexpected('a number'));
    if (!Number.isFinite(value))
      throw atLine(line, told('fileNumberRange', { found: data.slice(at - 8, at) }));
    return value;
  };
  const unexpected = (wanted: string): never => {
    throw atLine(line, told('fileSign', { wanted, found: data.slice(at, at + 12) || 'the end of the path' }));
  };
  const end = (isClosed: boolean): void => {
    if (pieces.length > 0) subpaths.push({ start, pieces, isClosed });
    pieces = [];
  };
  const draw = (piece: PathPiece): void => {
    if (++count > most) throw atLine(line, told('fileTooMany', { most, what: 'pieces' }));
    pieces.push(piece);
    now = piece.to;
  };
  while (/\S/.test(data.slice(at, at + 1)) || /[^\s,]/.test(data.slice(at))) {
    const sign = take(letter) ?? unexpected('a command');
    const command = sign.toUpperCase();
    if (!isOpen && command !== 'M') unexpected('M');
    const isRelative = sign !== command;
    let isFirst = true;
    do {
      const base: Pair = isRelative ? now : [0, 0];
      const pair = (): Pair => [base[0] + number(), base[1] + number()];
      switch (command) {
        case 'M': {
          const to = pair();
          if (isFirst) {
            end(false);
            [start, now, isOpen] = [to, to, true];
          } else draw({ kind: 'line', to });
          handle = undefined;
          break;
        }
        case 'L':
          draw({ kind: 'line', to: pair() });
          handle = undefined;
          break;
        case 'H':
          draw({ kind: 'line', to: [base[0] + number(), now[1]] });
          handle = undefined;
          break;
        case 'V':
          draw({ kind: 'line', to: [now[0], base[1] + number()] });
          handle = undefined;
          break;
        case 'C':
        case 'S': {
          const first = command === 'C' ? pair() : handle?.of === 'C' ? turned(handle.place, now) : now;
          const [second, to] = [pair(), pair()];
          draw({ kind: 'cubic', first, second, to });
          handle = { of: 'C', place: second };
          break;
        }
        case 'Q':
        case 'T': {
          const middle: Pair =
            command === 'Q' ? pair() : handle?.of === 'Q' ? turned(handle.place, now) : now;
          const from = now;
          const to = pair();
          draw({ kind: 'cubic', first: towards(from, middle), second: towards(to, middle), to });
          handle = { of: 'Q', place: middle };
          break;
        }
        case 'A': {
          const radii: Pair = [Math.abs(number()), Math.abs(number())];
          const angle = number();
          const [isLarge, isPositive] = [
            take(flag) ?? unexpected('0 or 1'),
            take(flag) ?? unexpected('0 or 1'),
          ];
          const to = pair();
          handle = undefined;
          // An arc to where one is draws nothing, and one without a radius is a line (appendix F.6.2).
          if (to[0] === now[0] && to[1] === now[1]) break;
          if (radii[0] === 0 || radii[1] === 0) draw({ kind: 'line', to });
          else
            draw({ kind: 'arc', radii, angle, isLarge: isLarge === '1', isPositive: isPositive === '1', to });
          break;
        }
        case 'Z':
          if (now[0] !== start[0] || now[1] !== start[1]) draw({ kind: 'line', to: start });
          end(true);
          now = start;
          handle = undefined;
          break;
      }
      isFirst = false;
      numeral.lastIndex = at;
    } while (counts[command]! > 0 && numeral.test(data));
  }
  end(false);
  return subpaths;
}

const turned = (place: Pair, about: Pair): Pair => [2 * about[0] - place[0], 2 * about[1] - place[1]];
const towards = (from: Pair, middle: Pair): Pair => [
  from[0] + (2 / 3) * (middle[0] - from[0]),
  from[1] + (2 / 3) * (middle[1] - from[1]),
];
