/** The circle layouts: the ways in which an exact full circle is written as one NURBS curve. */
export const circleLayouts = ['quadratic9', 'quadratic7', 'cubic7', 'quintic6'] as const;
export type CircleLayout = (typeof circleLayouts)[number];
