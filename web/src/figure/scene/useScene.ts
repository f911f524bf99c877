import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import type { FigureHost } from './host.js';
import { FigureScene } from './scene.js';
import type { Store } from './store.js';

/** The scene of a host, alive as long as the component. */
export function useScene(host: FigureHost): FigureScene {
  const scene = useMemo(() => new FigureScene(host), [host]);
  useEffect(() => scene.connect(), [scene]);
  return scene;
}

/** Draws the component again when one of these parts of a scene changes, and for no other. */
export function useParts(...parts: readonly Store[]): void {
  const subscribe = useCallback((listener: () => void) => {
    const stops = parts.map((part) => part.subscribe(listener));
    return () => stops.forEach((stop) => stop());
  }, parts);
  useSyncExternalStore(subscribe, () => parts.reduce((sum, part) => sum + part.version(), 0));
}
