import { beside } from './define.js';

/** The degree. */
export const degree = beside('curve', (curve) => ({ kind: 'whole', value: curve.degree }));
