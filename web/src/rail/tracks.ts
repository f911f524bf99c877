import type { TrackName } from '@bogen/core';
import { basisTrack } from './basisTrack.js';
import { curvatureTrack } from './curvatureTrack.js';
import { knotTrack } from './knotTrack.js';
import { derivativesTrack, deviationTrack, lengthTrack, speedTrack } from './lengthTracks.js';
import type { Track } from './track.js';

export const tracks: Readonly<Record<TrackName, Track>> = {
  knots: knotTrack,
  basis: basisTrack,
  curvature: curvatureTrack,
  speed: speedTrack,
  length: lengthTrack,
  derivatives: derivativesTrack,
  deviation: deviationTrack,
};
