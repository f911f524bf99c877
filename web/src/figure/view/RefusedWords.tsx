import { useSyncExternalStore } from 'react';
import { useTold } from '../../text/told.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';

/** Why the hand can't go on, beside it. */
export function RefusedWords({ scene, projection }: { scene: FigureScene; projection: Projection }) {
  const tell = useTold();
  const { previews } = scene;
  const refused = useSyncExternalStore(previews.subscribe, () => previews.refused);
  if (!refused) return null;
  const [x, y] = projection.toScreen(refused.at);
  const side =
    x > projection.width / 2
      ? { right: Math.max(8, projection.width - x + 18) }
      : { left: Math.max(8, x + 18) };
  const top = Math.min(projection.height - 60, Math.max(8, y + 14));
  return (
    <p
      role="status"
      className="pointer-events-none absolute z-20 max-w-[280px] rounded bg-bad px-2 py-1 text-[12px] text-sheet"
      style={{ ...side, top }}
      data-refused
    >
      {tell(refused.told)}
    </p>
  );
}
