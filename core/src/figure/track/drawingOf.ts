import type { TrackDrawing } from './drawing.js';
import { plotted } from './plotted.js';
import { trackNames, trackOf, type TrackName } from './tracks.js';

const drawings = Object.fromEntries(
  trackNames.map((name) => [name, trackOf(name).drawing ?? plotted(trackOf(name))]),
) as Readonly<Record<TrackName, TrackDrawing>>;

/** How a track is drawn, on the screen and in files. */
export const drawingOf = (name: TrackName): TrackDrawing => drawings[name];
