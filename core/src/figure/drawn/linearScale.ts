/**
 * A straight scale from values to pixels. D3 has one too, with the mixing of colours and the number formats
 * that it needs elsewhere: 7 kB of a reader's first load for a product and a sum.
 */
export interface LinearScale {
  (value: number): number;
  /** The value at a pixel. */
  invert(pixel: number): number;
  /** The nearest value of the scale itself to a pixel. */
  within(pixel: number): number;
  readonly domain: readonly [number, number];
  readonly range: readonly [number, number];
}

/** The scale on which the ends of `domain` lie at the ends of `range`; a domain of one value lies in the middle. */
export function linearScale(
  domain: readonly [number, number],
  range: readonly [number, number],
): LinearScale {
  const [[from, to], [first, last]] = [domain, range];
  const perValue = to === from ? 0 : (last - first) / (to - from);
  const perPixel = last === first ? 0 : (to - from) / (last - first);
  const toPixel = (value: number): number =>
    to === from ? (first + last) / 2 : first + (value - from) * perValue;
  const invert = (pixel: number): number => from + (pixel - first) * perPixel;
  const within = (pixel: number): number =>
    Math.min(Math.max(from, to), Math.max(Math.min(from, to), invert(pixel)));
  return Object.assign(toPixel, { invert, within, domain, range });
}
