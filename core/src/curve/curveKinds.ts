/** The kinds of curve that one can be converted to. */
export const curveKinds = ['straight', 'monotone', 'bezier', 'bspline'] as const;
export type CurveKind = (typeof curveKinds)[number];
