import { lazy, type ComponentType } from 'react';
import type { TrackMarksProps } from './track.js';

/**
 * Marks that are fetched when their track is first shown. Without a connection the track is seen without them, and
 * the page goes on; loaded again, it tries anew.
 */
export function lazyMarks(
  fetch: () => Promise<{ readonly default: ComponentType<TrackMarksProps> }>,
): ComponentType<TrackMarksProps> {
  return lazy(() => fetch().catch(() => ({ default: () => null })));
}
