import type { FactMember } from './define.js';

/** The order: degree + 1. */
export const order: FactMember = (curve) => ({ kind: 'whole', value: curve.degree + 1 });
