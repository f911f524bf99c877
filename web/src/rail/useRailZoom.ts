import { useEffect, type RefObject } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import { movedWindow, railAxis, zoomedWindow } from './axis.js';

/** Zooms along the parameter with the wheel about the pointer, and moves along with Shift and the wheel. */
export function useRailZoom(ref: RefObject<HTMLDivElement | null>, scene: FigureScene, width: number): void {
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const onWheel = (event: WheelEvent): void => {
      const curve = scene.railCurve;
      if (!curve || event.ctrlKey) return;
      event.preventDefault();
      const pixels = event.deltaMode === 1 ? 16 : 1;
      if (event.shiftKey) {
        scene.axis.setWindow(
          movedWindow(curve, scene.axis.window, ((event.deltaX || event.deltaY) * pixels) / 600),
        );
        return;
      }
      const axis = railAxis(curve, width, scene.axis.window);
      const about = axis.within(event.clientX - element.getBoundingClientRect().left);
      const factor = Math.exp((-event.deltaY * pixels) / 400);
      scene.axis.setWindow(zoomedWindow(curve, scene.axis.window, factor, about));
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [ref, scene, width]);
}
