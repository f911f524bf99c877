import type { TrackDrawing, TrackName } from '@bogen/core/figure';
import type { ComponentType } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';

/** What the marks of a track are laid over. */
export interface TrackMarksProps {
  readonly scene: FigureScene;
  readonly width: number;
  readonly height: number;
}

/** One plot of the rail. */
export interface Track extends TrackDrawing {
  readonly name: TrackName;
  /** What lies over its plot to be taken hold of. */
  readonly Marks?: ComponentType<TrackMarksProps>;
}
