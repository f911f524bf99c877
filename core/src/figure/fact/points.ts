import { distinctPointCount } from '../../curve/periodic.js';
import type { FactMember } from './define.js';

/** The number of control points; those that a periodic curve repeats count once. */
export const points: FactMember = (curve) => ({ kind: 'whole', value: distinctPointCount(curve) });
