import { drawingOf, trackNames, type TrackName } from '@bogen/core/figure';
import { lazyPart } from '../ui/lazyPart.js';
import type { Track } from './track.js';

const marks: Partial<Record<TrackName, Track['Marks']>> = {
  knots: lazyPart(async () => (await import('./KnotMarks.js')).KnotMarks),
  weights: lazyPart(async () => (await import('./WeightMarks.js')).WeightMarks),
};

export const tracks = Object.fromEntries(
  trackNames.map((name): [TrackName, Track] => {
    const Marks = marks[name];
    return [name, { ...drawingOf(name), name, ...(Marks && { Marks }) }];
  }),
) as Readonly<Record<TrackName, Track>>;
