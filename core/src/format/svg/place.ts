import type { PlaneMap } from '../../figure/part/plane.js';
import { told } from '../../told/told.js';
import { atLine, FormatError } from '../define.js';

/** The map that comes to one after the other: first the second one given, then the first. */
export function after(outer: PlaneMap, inner: PlaneMap): PlaneMap {
  return {
    a: outer.a * inner.a + outer.b * inner.c,
    b: outer.a * inner.b + outer.b * inner.d,
    c: outer.c * inner.a + outer.d * inner.c,
    d: outer.c * inner.b + outer.d * inner.d,
    e: outer.a * inner.e + outer.b * inner.f + outer.e,
    f: outer.c * inner.e + outer.d * inner.f + outer.f,
  };
}

export const unmoved: PlaneMap = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

/**
 * The map of a transform attribute (SVG 1.1, 7.6).
 * @throws FormatError with the line
 */
export function parseTransform(text: string, line: number): PlaneMap {
  const wrong = (): FormatError =>
    atLine(line, told('fileSign', { wanted: 'a transformation', found: text.slice(0, 24) }));
  let map = unmoved;
  let rest = text.trim();
  while (rest !== '') {
    const found = /^,?\s*(matrix|translate|scale|rotate|skewX|skewY)\s*\(([^()]*)\)\s*/.exec(rest);
    if (!found) throw wrong();
    rest = rest.slice(found[0].length);
    const [, name = '', list = ''] = found;
    const n =
      list.trim() === ''
        ? []
        : list
            .trim()
            .split(/[\s,]+/)
            .map(Number);
    if (!n.every(Number.isFinite)) throw wrong();
    map = after(map, mapOf(name, n) ?? fail(wrong));
  }
  return map;
}

function fail(wrong: () => FormatError): never {
  throw wrong();
}

function mapOf(name: string, n: readonly number[]): PlaneMap | undefined {
  const [p = 0, q, r, s, t, u] = n;
  const angle = (p * Math.PI) / 180;
  switch (name) {
    case 'matrix':
      return n.length === 6 ? { a: p, c: q!, b: r!, d: s!, e: t!, f: u! } : undefined;
    case 'translate':
      return n.length === 1 || n.length === 2 ? { ...unmoved, e: p, f: q ?? 0 } : undefined;
    case 'scale':
      return n.length === 1 || n.length === 2 ? { ...unmoved, a: p, d: q ?? p } : undefined;
    case 'rotate': {
      const turn: PlaneMap = {
        a: Math.cos(angle),
        b: -Math.sin(angle),
        c: Math.sin(angle),
        d: Math.cos(angle),
        e: 0,
        f: 0,
      };
      if (n.length === 1) return turn;
      if (n.length !== 3) return undefined;
      return after({ ...unmoved, e: q!, f: r! }, after(turn, { ...unmoved, e: -q!, f: -r! }));
    }
    case 'skewX':
      return n.length === 1 ? { ...unmoved, b: Math.tan(angle) } : undefined;
    default:
      return n.length === 1 ? { ...unmoved, c: Math.tan(angle) } : undefined;
  }
}

/** Millimetres in each unit of CSS, whose pixel is the ninety-sixth part of an inch. */
const units: Readonly<Record<string, number>> = {
  '': 25.4 / 96,
  px: 25.4 / 96,
  pt: 25.4 / 72,
  pc: 25.4 / 6,
  mm: 1,
  cm: 10,
  in: 25.4,
  q: 0.25,
};

/** A length in millimetres; nothing where it is relative to something that is not known, such as a share of a page. */
function lengthInMillimetres(text: string | undefined): number | undefined {
  const found = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*([a-zA-Z]*)\s*$/.exec(text ?? '');
  const unit = found && units[found[2]!.toLowerCase()];
  const length = found && unit !== undefined ? Number(found[1]) * unit! : undefined;
  return length !== undefined && Number.isFinite(length) && length > 0 ? length : undefined;
}

/** How many millimetres a unit inside of an svg element is, by its size and its view box (SVG 1.1, 7.7 and 7.8). */
export function millimetresOf(attributes: Readonly<Record<string, string>>): number {
  const [width, height] = [
    lengthInMillimetres(attributes['width']),
    lengthInMillimetres(attributes['height']),
  ];
  const box = (attributes['viewBox'] ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const [, , across, down] = box;
  if (box.length !== 4 || !(across! > 0 && down! > 0)) return units['px']!;
  const [x, y] = [width && width / across!, height && height / down!];
  // The whole box is shown, as large as it can be.
  if (x && y) return Math.min(x, y);
  return x ?? y ?? units['px']!;
}
