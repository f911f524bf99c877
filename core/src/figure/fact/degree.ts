import type { FactMember } from './define.js';

/** The degree. */
export const degree: FactMember = (curve) => ({ kind: 'whole', value: curve.degree });
