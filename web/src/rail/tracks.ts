import { trackNames, trackOf, type TrackName } from '@bogen/core/figure';
import { basisTrack } from './basisTrack.js';
import { functionTrack } from './functionTrack.js';
import { knotTrack } from './knotTrack.js';
import type { Track } from './track.js';
import { weightTrack } from './weightTrack.js';

/** The tracks that have a drawing of their own; all others plot what the registry says. */
const drawn: Partial<Record<TrackName, Track>> = {
  knots: knotTrack,
  basis: basisTrack,
  weights: weightTrack,
};

export const tracks = Object.fromEntries(
  trackNames.map((name) => [name, drawn[name] ?? functionTrack(name, trackOf(name).plots ?? [])]),
) as Readonly<Record<TrackName, Track>>;
