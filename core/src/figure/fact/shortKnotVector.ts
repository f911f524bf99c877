import { shortKnotList } from '../../curve/knotVector.js';
import type { FactMember } from './define.js';

/** The knot vector without its first and its last value. */
export const shortKnotVector: FactMember = ({ knots }) => ({ kind: 'list', values: shortKnotList(knots) });
