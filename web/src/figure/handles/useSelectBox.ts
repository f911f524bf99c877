import { gripKey, gripPlace, type Grip } from '@bogen/core/figure';
import { useEffect, useState, type RefObject } from 'react';
import { curvesNear } from '../scene/curveNear.js';
import { gripsOf } from '../scene/gripsNear.js';
import type { Pane } from '../scene/pane.js';
import type { Projection } from '../geometry/projection.js';
import { mayDraw } from '../scene/may.js';
import type { FigureScene } from '../scene/scene.js';

/** The box in pixels, as a style. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** What is not the ground: presses on it mean something else. */
export const notGround = '.mark, [data-draw-layer], [data-chooser], button';

/** Whether a press on the ground draws a box instead of moving the paper. */
export function drawsBox(scene: FigureScene, event: { shiftKey: boolean; button: number }): boolean {
  return mayDraw(scene.host) && event.button === 0 && (event.shiftKey || scene.selected.selecting);
}

/**
 * Selects what a box holds, drawn from the ground with Shift or while selecting: it is added to the
 * selection with Shift and takes its place without. A press on the ground alone selects nothing, and one on
 * a curve puts that curve on the rail.
 */
export function useSelectBox(
  ref: RefObject<HTMLDivElement | null>,
  scene: FigureScene,
  projection: Projection,
  pane: Pane,
): Box | null {
  const [box, setBox] = useState<Box | null>(null);
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    let start: {
      at: [number, number];
      pressed: [number, number];
      before: readonly Grip[];
      id: number;
    } | null = null;
    const local = (event: PointerEvent): [number, number] => {
      const { left, top } = element.getBoundingClientRect();
      return [event.clientX - left, event.clientY - top];
    };
    const onDown = (event: PointerEvent): void => {
      if ((event.target as Element).closest(notGround)) return;
      if (scene.selected.question) scene.selected.ask(null);
      scene.selected.raise(null);
      if (!event.isPrimary || event.button !== 0) return;
      const boxed = drawsBox(scene, event);
      start = boxed
        ? {
            at: local(event),
            pressed: [event.clientX, event.clientY],
            before: event.shiftKey ? scene.selected.grips : [],
            id: event.pointerId,
          }
        : null;
      if (!boxed) pressOnRelease(event);
    };
    /** The ground was pressed: without a move nothing stays selected, and a curve there comes on the rail. */
    const pressOnRelease = (down: PointerEvent): void => {
      const onUp = (up: PointerEvent): void => {
        window.removeEventListener('pointerup', onUp);
        if (Math.hypot(up.clientX - down.clientX, up.clientY - down.clientY) >= 4) return;
        scene.selected.select([]);
        if (mayDraw(scene.host)) takeCurve(scene, projection, pane, local(up));
      };
      window.addEventListener('pointerup', onUp);
    };
    const onMove = (event: PointerEvent): void => {
      if (!start || event.pointerId !== start.id) return;
      const [x, y] = local(event);
      const [left, right] = [Math.min(x, start.at[0]), Math.max(x, start.at[0])];
      const [top, bottom] = [Math.min(y, start.at[1]), Math.max(y, start.at[1])];
      if (right - left < 3 && bottom - top < 3) return;
      setBox({ left, top, width: right - left, height: bottom - top });
      const inside = gripsOf(scene, pane).filter((grip) => {
        const place = gripPlace(scene.document, scene.evaluation, grip);
        if (!place) return false;
        const [px, py] = projection.toScreen(place);
        return px >= left && px <= right && py >= top && py <= bottom;
      });
      const keys = new Set(start.before.map(gripKey));
      scene.selected.select([...start.before, ...inside.filter((grip) => !keys.has(gripKey(grip)))]);
    };
    const onUp = (event: PointerEvent): void => {
      if (!start || event.pointerId !== start.id) return;
      const far = Math.hypot(event.clientX - start.pressed[0], event.clientY - start.pressed[1]);
      if (far < 3 && start.before.length === 0) scene.selected.select([]);
      start = null;
      setBox(null);
    };
    element.addEventListener('pointerdown', onDown);
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('pointercancel', onUp);
    return () => {
      element.removeEventListener('pointerdown', onDown);
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('pointercancel', onUp);
      // Whoever takes over knows nothing of it.
      setBox(null);
    };
  }, [ref, scene, projection, pane]);
  return box;
}

/** Puts the curve under a press on the rail; of several that lie there, the next one with each press. */
function takeCurve(
  scene: FigureScene,
  projection: Projection,
  pane: Pane,
  at: readonly [number, number],
): void {
  const { rail } = scene.document;
  const near = curvesNear(scene, projection, pane, at).filter((item) => item.kind !== 'curve' || !item.faint);
  if (near.length === 0) return;
  const now = near.findIndex(({ id }) => id === rail.item);
  const next = near[(now + 1) % near.length]!;
  if (next.id !== rail.item) scene.host.do({ name: 'setRail', rail: { ...rail, item: next.id } });
}
