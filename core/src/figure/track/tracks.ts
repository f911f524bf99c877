import { basis } from './basis.js';
import { curvature } from './curvature.js';
import type { TrackMember } from './define.js';
import { derivatives } from './derivatives.js';
import { deviation } from './deviation.js';
import { knots } from './knots.js';
import { length } from './length.js';
import { radiusError } from './radiusError.js';
import { speed } from './speed.js';
import { weights } from './weights.js';

/**
 * Every track that there is, in the order in which a rail gets them. A new one that plots numbers over the
 * parameter is a file beside these and a line here; its drawing, its scale and its values at the cursor follow.
 */
const tracks = {
  knots,
  basis,
  curvature,
  speed,
  length,
  derivatives,
  deviation,
  weights,
  radiusError,
};

export type TrackName = keyof typeof tracks;

export const trackNames = Object.keys(tracks) as readonly TrackName[];

export function trackOf(name: TrackName): TrackMember {
  return tracks[name];
}

/** The tracks that a new figure has. */
export const firstTracks: readonly TrackName[] = trackNames.filter((name) => trackOf(name).first === true);
