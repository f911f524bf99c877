import clsx from 'clsx';
import { useSyncExternalStore } from 'react';
import { useTold } from '../../text/told.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';

/** What is to be said beside the hand: why it can't go on, or that the end in it has come to lie on another. */
export function HandWords({ scene, projection }: { scene: FigureScene; projection: Projection }) {
  const tell = useTold();
  const { previews } = scene;
  const refused = useSyncExternalStore(previews.subscribe, () => previews.refused);
  const snapped = useSyncExternalStore(previews.subscribe, () => previews.snapped);
  const said = refused ?? (snapped?.isEnd ? snapped : null);
  if (!said) return null;
  const [x, y] = projection.toScreen(said.at);
  const side =
    x > projection.width / 2
      ? { right: Math.max(8, projection.width - x + 18) }
      : { left: Math.max(8, x + 18) };
  const top = Math.min(projection.height - 60, Math.max(8, y + 14));
  return (
    <p
      role="status"
      className={clsx(
        'pointer-events-none absolute z-20 max-w-[280px] rounded px-2 py-1 text-[12px] text-sheet',
        refused ? 'bg-bad' : 'bg-ink',
      )}
      style={{ ...side, top }}
      data-refused={refused ? '' : undefined}
      data-hand-words
    >
      {refused ? tell(refused.told) : snapped?.words}
    </p>
  );
}
