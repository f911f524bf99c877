import { linearScale, type LinearScale } from '@bogen/core/figure';
import { domainOf, type Curve } from '@bogen/core/curve';

/** Pixels to the left of the plots, for names and numbers, and to their right. */
export const gutter = { left: 122, right: 24 };

/**
 * The parameter axis that all tracks share.
 * @param parameterWindow the part of the domain that is shown, where it is not the whole
 */
export function railAxis(
  curve: Curve,
  width: number,
  parameterWindow: readonly [number, number] | null,
): LinearScale {
  return linearScale(parameterWindow ?? domainOf(curve.knots, curve.degree), [
    gutter.left,
    Math.max(gutter.left + 1, width - gutter.right),
  ]);
}

/**
 * A part of the domain, larger or smaller by a factor about a parameter that keeps its place on the screen;
 * `null` where it would be the whole.
 */
export function zoomedWindow(
  curve: Curve,
  parameterWindow: readonly [number, number] | null,
  factor: number,
  about: number,
): readonly [number, number] | null {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const [from, to] = parameterWindow ?? [start, end];
  const width = Math.max((end - start) / 1000, (to - from) / factor);
  if (width >= end - start) return null;
  return movedInto(about - ((about - from) / (to - from)) * width, width, start, end);
}

/** The same part, moved along by a share of its width. */
export function movedWindow(
  curve: Curve,
  parameterWindow: readonly [number, number] | null,
  share: number,
): readonly [number, number] | null {
  if (!parameterWindow) return null;
  const [start, end] = domainOf(curve.knots, curve.degree);
  const width = parameterWindow[1] - parameterWindow[0];
  return movedInto(parameterWindow[0] + share * width, width, start, end);
}

function movedInto(from: number, width: number, start: number, end: number): readonly [number, number] {
  const kept = Math.min(end - width, Math.max(start, from));
  return [kept, kept + width];
}
