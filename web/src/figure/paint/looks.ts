import { isShown, type FigureDocument, type FigureItem, type Shown } from '@bogen/core/figure';
import type { FigureScene } from '../scene/scene.js';

/** What draws the looks that few figures show, and how far a pull reaches. */
type Looks = typeof import('./drawLooks.js');

let come: Looks | undefined;
const asked = new WeakSet<FigureScene>();

/** Fetches what draws them. */
export async function fetchLooks(): Promise<void> {
  come = await import('./drawLooks.js');
}

/** What draws them, where it has come. */
export const looksHere = (): Looks | undefined => come;

/**
 * What draws them; until it has come the figure is seen without them. It is fetched with the first figure that shows
 * one, and where that fails, with the next.
 */
export function looksFor(scene: FigureScene): Looks | undefined {
  if (!come && !asked.has(scene)) {
    asked.add(scene);
    fetchLooks().then(
      () => scene.invalidate(),
      () => undefined,
    );
  }
  return come;
}

/** Looks along a curve, and at the cursor of the rail's curve. */
const along = ['facets', 'ticks', 'extremes'] as const;
const atCursor = ['osculating', 'construction', 'vectors', 'derivatives', 'conic', 'hodograph'] as const;

const showsOf =
  (keys: readonly (keyof Shown)[]) => (document: FigureDocument, item: FigureItem | undefined) =>
    keys.some((key) => isShown(document, key, item));

export const showsAlong = showsOf(along);
export const showsAtCursor = showsOf(atCursor);
