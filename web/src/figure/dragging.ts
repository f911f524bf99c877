import type { FigureCommand, Point } from '@bogen/core';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Plane } from './plane.js';
import type { FigureScene } from './scene.js';

/** Places are kept to a thousandth of the unit: finer than any hand, and short to read. */
export const roundPlace = (value: number): number => Math.round(value * 1000) / 1000;

const directions: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** The step that an arrow key means: a tenth of the grid, with Shift the whole grid, with Alt a hundredth. */
export function arrowStep(event: KeyboardEvent, grid: number): [number, number] | undefined {
  const direction = directions[event.key];
  if (!direction) return undefined;
  const step = event.shiftKey ? grid : event.altKey ? grid / 100 : grid / 10;
  return [direction[0] * step, direction[1] * step];
}

interface Draggable {
  readonly scene: FigureScene;
  readonly plane: Plane;
  /** Where it is now. */
  readonly place: () => Point | undefined;
  /** The command that puts it somewhere else. */
  readonly command: (to: Point) => FigureCommand | null;
  /** Told after a step by the keyboard. */
  readonly onStep: (to: Point) => void;
}

interface DragHandlers {
  readonly onPointerDown: (event: PointerEvent<SVGGElement>) => void;
  readonly onPointerMove: (event: PointerEvent<SVGGElement>) => void;
  readonly onPointerUp: (event: PointerEvent<SVGGElement>) => void;
  readonly onPointerCancel: () => void;
  readonly onKeyDown: (event: KeyboardEvent<SVGGElement>) => void;
}

/**
 * What makes an element something to drag and to nudge: a drag previews with every move and is one
 * command when it ends, Escape leaves no trace, the arrows step by a tenth of the grid, with Shift by the
 * whole grid, with Alt by a hundredth.
 */
export function useDragging({ scene, plane, place, command, onStep }: Draggable): DragHandlers {
  const held = useRef<{ dx: number; dy: number; from: readonly [number, number]; moved: boolean } | null>(
    null,
  );
  const at = (event: PointerEvent): Point =>
    plane.toPlane(event.clientX + held.current!.dx, event.clientY + held.current!.dy).map(roundPlace);
  const cancel = (): void => {
    if (!held.current) return;
    held.current = null;
    scene.host.preview(null);
  };
  return {
    onPointerDown: (event) => {
      const from = place();
      if (event.button !== 0 || !from) return;
      event.currentTarget.focus();
      const [x, y] = plane.toScreen(from);
      held.current = {
        dx: x - event.clientX,
        dy: y - event.clientY,
        from: [event.clientX, event.clientY],
        moved: false,
      };
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: (event) => {
      if (!held.current) return;
      const { from } = held.current;
      if (Math.hypot(event.clientX - from[0], event.clientY - from[1]) >= 2) held.current.moved = true;
      if (held.current.moved) scene.host.preview(command(at(event)));
    },
    onPointerUp: (event) => {
      if (!held.current) return;
      const to = held.current.moved ? at(event) : null;
      held.current = null;
      if (!to) return;
      scene.host.preview(null);
      const change = command(to);
      if (change) scene.host.do(change);
    },
    onPointerCancel: cancel,
    onKeyDown: (event) => {
      if (event.key === 'Escape') return cancel();
      const step = arrowStep(event, scene.document.view.grid);
      const from = place();
      if (!step || !from || held.current) return;
      event.preventDefault();
      const to = [roundPlace(from[0]! + step[0]), roundPlace(from[1]! + step[1])];
      const change = command(to);
      if (change) scene.host.do(change);
      onStep(to);
    },
  };
}
