import { clampedUniformKnots, domainOf, pointAt, type Curve, type Point } from '@bogen/core/curve';
import type { PictureItem } from '@bogen/core/figure';

/** A drawing to lay below a figure: it is ours, and lies at its true size. */
export interface Drawing {
  readonly item: PictureItem;
  readonly svg: string;
}

interface Given {
  /** A UUID, by which the figure names it. */
  readonly id: string;
  readonly name: string;
  /** The part of the plane that it shows, in millimetres. */
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
  /** Lines as with a pencil; closed ones have a tint inside. */
  /** Pixels for a millimetre; a line is 3 wide. */
  readonly scale?: number;
  readonly lines: readonly { readonly curves: readonly Curve[]; readonly isClosed?: boolean }[];
}

/** Places on each curve: at this size a hundredth of a millimetre from it. */
const places = 120;

/** The line that is straight between places. */
export const straight = (...points: readonly Point[]): Curve => ({
  degree: 1,
  knots: clampedUniformKnots(points.length, 1),
  points,
});

/** Draws curves as a picture, as an SVG of our own. */
export function drawing({ id, name, left, right, bottom, top, lines, scale = 10 }: Given): Drawing {
  const size: [number, number] = [(right - left) * scale, (top - bottom) * scale];
  const at = ([x, y]: readonly number[]): string =>
    `${((x! - left) * scale).toFixed(1)} ${((top - y!) * scale).toFixed(1)}`;
  const paths = lines.map(({ curves, isClosed }) => {
    const points = curves.flatMap((curve) => {
      const [from, to] = domainOf(curve.knots, curve.degree);
      return Array.from({ length: places + 1 }, (_, k) => pointAt(curve, from + ((to - from) * k) / places));
    });
    const d = `M${points.map(at).join('L')}${isClosed ? 'Z' : ''}`;
    return `<path d="${d}" fill="${isClosed ? '#c9a878' : 'none'}" fill-opacity="0.35"/>`;
  });
  return {
    item: {
      id: 'picture',
      name,
      kind: 'picture',
      picture: id,
      size,
      centre: [(left + right) / 2, (bottom + top) / 2],
      width: right - left,
      angle: 0,
      flipped: false,
      fade: 0.2,
      locked: true,
    },
    svg: [
      `<svg xmlns="http://www.w3.org/2000/svg" width="${size[0]}" height="${size[1]}" viewBox="0 0 ${size[0]} ${size[1]}">`,
      `<g stroke="#8a6f4d" stroke-width="3" stroke-linejoin="round">${paths.join('')}</g>`,
      '</svg>',
    ].join('\n'),
  };
}
