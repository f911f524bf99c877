import { basisAt } from '../../curve/sampleBasis.js';
import type { TrackMember } from './define.js';

/** The basis functions, each over its support. */
export const basis: TrackMember = { first: true, family: basisAt };
