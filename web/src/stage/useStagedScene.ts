import { useEffect, useLayoutEffect, useMemo } from 'react';
import type { FigureHost } from '../figure/scene/host.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useScene } from '../figure/scene/useScene.js';
import { fetchPassage, StagedHost } from './stagedHost.js';

/**
 * The scene of a sheet, which goes from stage to stage.
 * @param sheet another one begins anew
 * @param host of the stage at which one is; the same object as long as it is the same stage
 */
export function useStagedScene(sheet: string, host: FigureHost, count: number): FigureScene {
  const staged = useMemo(() => new StagedHost(host), [sheet]);
  const scene = useScene(staged);
  useLayoutEffect(() => staged.goTo(host), [staged, host]);
  useEffect(() => {
    if (count > 1) void fetchPassage().catch(() => undefined);
  }, [count]);
  return scene;
}
