import { domainOf, type Curve } from '@bogen/core';
import { scaleLinear, type ScaleLinear } from 'd3-scale';

/** Pixels to the left of the plots, for names and numbers, and to their right. */
export const gutter = { left: 122, right: 24 };

/** The parameter axis that all tracks share. */
export function railAxis(curve: Curve, width: number): ScaleLinear<number, number> {
  return scaleLinear()
    .domain(domainOf(curve.knots, curve.degree) as [number, number])
    .range([gutter.left, Math.max(gutter.left + 1, width - gutter.right)]);
}
