import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { FigureHost } from './host.js';
import { FigureScene } from './scene.js';

/** The scene of a host, alive as long as the component. */
export function useScene(host: FigureHost): FigureScene {
  const scene = useMemo(() => new FigureScene(host), [host]);
  useEffect(() => scene.connect(), [scene]);
  return scene;
}

/** Draws the component again when the set of handles or tracks changes. */
export function useStructure(scene: FigureScene): number {
  return useSyncExternalStore(scene.subscribe, scene.structure);
}
