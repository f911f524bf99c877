import { distinctPointCount } from '../../curve/periodic.js';
import { beside } from './define.js';

/** The number of control points; those that a periodic curve repeats count once. */
export const points = beside('curve', (curve) => ({ kind: 'whole', value: distinctPointCount(curve) }));
