import type { Unit } from '../../describe/describe.js';

/** What a track is besides its drawing. */
export interface TrackMember {
  /** What its values count in; none where they are of several kinds. */
  readonly unit?: Unit | 'speed' | 'none';
  /** Whether a new figure's rail has it. */
  readonly first?: true;
}

/** Every track that there is, in the order in which a rail gets them. The web draws each. */
export const tracks = {
  knots: { first: true },
  basis: { unit: 'none', first: true },
  curvature: { unit: 'curvature', first: true },
  speed: { unit: 'speed' },
  length: { unit: 'length' },
  derivatives: { unit: 'speed' },
  deviation: { unit: 'length' },
} as const satisfies Record<string, TrackMember>;

export type TrackName = keyof typeof tracks;

export const trackNames = Object.keys(tracks) as readonly TrackName[];

/** The tracks that a new figure has. */
export const firstTracks: readonly TrackName[] = trackNames.filter(
  (name) => (tracks[name] as TrackMember).first === true,
);
