import type { FactMember } from './define.js';

/** The whole knot vector. */
export const knotVector: FactMember = ({ knots }) => ({ kind: 'list', values: knots });
