import { told } from '../../told/told.js';
import { atLine } from '../define.js';
import { formatLimits } from '../limits.js';
import { parsePath, type Pair, type PathPiece, type Subpath } from './pathData.js';

/** A circle or ellipse in the coordinates of its element, or what is drawn with a pen. */
export type Drawn = Subpath | { readonly centre: Pair; readonly radii: Pair };

/** What an element draws; nothing where it is no geometry. */
export function geometryOf(
  name: string,
  attributes: Readonly<Record<string, string>>,
  line: number,
): Drawn[] | undefined {
  const number = (key: string, usual = 0): number => {
    const written = attributes[key];
    if (written === undefined || written.trim() === '' || written === 'auto') return usual;
    const value = Number(/^\s*([+-]?[\d.]+(?:[eE][+-]?\d+)?)(?:px)?\s*$/.exec(written)?.[1] ?? NaN);
    if (!Number.isFinite(value)) throw atLine(line, told('fileNumber', { found: written.slice(0, 24) }));
    return value;
  };
  switch (name) {
    case 'path':
      return parsePath(attributes['d'] ?? '', line, formatLimits.points);
    case 'line':
      return [
        straight(
          [
            [number('x1'), number('y1')],
            [number('x2'), number('y2')],
          ],
          false,
        ),
      ];
    case 'polyline':
    case 'polygon': {
      const flat = (attributes['points'] ?? '')
        .trim()
        .split(/[\s,]+/)
        .filter((word) => word !== '')
        .map(Number);
      if (!flat.every(Number.isFinite))
        throw atLine(line, told('fileNumber', { found: (attributes['points'] ?? '').slice(0, 24) }));
      const places = Array.from({ length: Math.floor(flat.length / 2) }, (_, k): Pair => [
        flat[2 * k]!,
        flat[2 * k + 1]!,
      ]);
      return places.length > 1 ? [straight(places, name === 'polygon')] : [];
    }
    case 'circle':
      return round([number('cx'), number('cy')], [number('r'), number('r')]);
    case 'ellipse':
      return round([number('cx'), number('cy')], [number('rx'), number('ry')]);
    case 'rect':
      return rectangle(number);
    default:
      return undefined;
  }
}

const round = (centre: Pair, radii: Pair): Drawn[] =>
  radii[0] > 0 && radii[1] > 0 ? [{ centre, radii }] : [];

function straight(places: readonly Pair[], isClosed: boolean): Subpath {
  const [start, ...rest] = places as [Pair, ...Pair[]];
  const to = isClosed ? [...rest, start] : rest;
  return { start, pieces: to.map((place) => ({ kind: 'line', to: place })), isClosed };
}

/** A rectangle, whose corners may be rounded (SVG 1.1, 9.2). */
function rectangle(number: (key: string, usual?: number) => number): Drawn[] {
  const [x, y, width, height] = [number('x'), number('y'), number('width'), number('height')];
  if (!(width > 0 && height > 0)) return [];
  const [givenX, givenY] = [number('rx', NaN), number('ry', NaN)];
  const rx = Math.min(width / 2, Number.isNaN(givenX) ? (Number.isNaN(givenY) ? 0 : givenY) : givenX);
  const ry = Math.min(height / 2, Number.isNaN(givenY) ? (Number.isNaN(givenX) ? 0 : givenX) : givenY);
  const [right, bottom] = [x + width, y + height];
  if (!(rx > 0 && ry > 0))
    return [
      straight(
        [
          [x, y],
          [right, y],
          [right, bottom],
          [x, bottom],
        ],
        true,
      ),
    ];
  const arc = (to: Pair): PathPiece => ({
    kind: 'arc',
    radii: [rx, ry],
    angle: 0,
    isLarge: false,
    isPositive: true,
    to,
  });
  const line = (to: Pair): PathPiece => ({ kind: 'line', to });
  const pieces: PathPiece[] = [
    line([right - rx, y]),
    arc([right, y + ry]),
    line([right, bottom - ry]),
    arc([right - rx, bottom]),
    line([x + rx, bottom]),
    arc([x, bottom - ry]),
    line([x, y + ry]),
    arc([x + rx, y]),
  ];
  return [{ start: [x + rx, y], pieces, isClosed: true }];
}
