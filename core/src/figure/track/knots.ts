import type { TrackMember } from './define.js';

/** The knot vector: spans in their colours, and every knot with as many bars as its multiplicity. */
export const knots: TrackMember = { first: true };
