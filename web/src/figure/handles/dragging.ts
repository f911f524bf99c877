import { type Point } from '@bogen/core/curve';
import {
  type Evaluation,
  moveGrips,
  translation,
  type FigureCommand,
  type FigureDocument,
  type Grip,
} from '@bogen/core/figure';
import { useRef, type KeyboardEvent, type MouseEvent, type PointerEvent } from 'react';
import { useAtEnd } from '../../ui/useAtEnd.js';
import { gripsNear } from '../scene/gripsNear.js';
import type { Pane } from '../scene/pane.js';
import type { Plane } from '../geometry/plane.js';
import { mayDraw } from '../scene/may.js';
import type { FigureScene } from '../scene/scene.js';

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
  if (!direction || event.ctrlKey || event.metaKey) return undefined;
  const step = event.shiftKey ? grid : event.altKey ? grid / 100 : grid / 10;
  return [direction[0] * step, direction[1] * step];
}

/** Something to drag and to nudge. */
export interface Draggable {
  readonly scene: FigureScene;
  readonly plane: Plane;
  readonly pane: Pane;
  readonly grip: Grip;
  /** Where it is now. */
  readonly place: () => Point | undefined;
  /** The command that puts it somewhere else, from the document as it was when it was taken. */
  readonly command: (to: Point, document: FigureDocument) => FigureCommand | null;
  readonly movable: boolean;
  /** Told after a step by the keyboard. */
  readonly onStep: (to: Point) => void;
  /** Told when somebody tries to move what can't be moved. */
  readonly onFixed?: () => void;
  /** Told when it is taken hold of. */
  readonly onTake?: () => void;
}

interface DragHandlers {
  readonly onPointerDown: (event: PointerEvent<SVGElement>) => void;
  readonly onMouseDown: (event: MouseEvent) => void;
  readonly onPointerMove: (event: PointerEvent<SVGElement>) => void;
  readonly onPointerUp: (event: PointerEvent<SVGElement>) => void;
  readonly onPointerCancel: () => void;
  readonly onKeyDown: (event: KeyboardEvent<SVGElement>) => void;
}

/** What is in the hand: where the pointer took it, and the document as it was then. */
interface Held {
  readonly draggable: Draggable;
  readonly element: SVGElement;
  readonly pointer: number;
  readonly dx: number;
  readonly dy: number;
  readonly pressed: readonly [number, number];
  readonly from: Point;
  readonly document: FigureDocument;
  readonly evaluation: Evaluation;
  moved: boolean;
}

/**
 * What makes elements something to drag and to nudge: a drag previews with every move and is one
 * command when it ends, Escape leaves no trace, the arrows step by a tenth of the grid, with Shift by the
 * whole grid, with Alt by a hundredth. One of several selected grips takes the others along. Where
 * several grips lie on one place it is asked which is meant. With Shift a press, and Space without one,
 * adds to the selection or takes out of it. With Ctrl it is drawn to what lies near, where its figure is
 * drawn and not only tried.
 * @param draggableOf what an element with the class `mark` stands for; there may be many below one listener
 */
export function useDragging(
  draggableOf: (mark: Element) => Draggable,
): DragHandlers & { readonly isHeld: () => boolean } {
  const held = useRef<Held | null>(null);
  /** Where the pointer takes what is held: with Ctrl to what lies near. The figure may have been zoomed since it was taken. */
  const at = (event: PointerEvent, now: Held): Point => {
    const { scene, plane, grip } = draggableOf(now.element);
    const pointer = plane.toPlane(event.clientX + now.dx, event.clientY + now.dy);
    const snapped = (event.ctrlKey && scene.host.snap?.(scene, grip, pointer, now, plane)) || null;
    scene.setSnapped(snapped);
    return snapped?.at ?? pointer.map(roundPlace);
  };
  const release = ({ draggable, element }: Held): void => {
    held.current = null;
    draggable.scene.setSnapped(null);
    element.classList.remove('held');
  };
  const cancel = (): void => {
    const now = held.current;
    if (!now) return;
    release(now);
    now.draggable.scene.host.preview(null);
  };
  // What goes from the page with something in the hand, with its sheet or by an undo elsewhere, lets go of it.
  useAtEnd(cancel);
  return {
    isHeld: () => held.current !== null,
    onPointerDown: (event) => {
      const element = markOf(event);
      // A second finger takes nothing else while one holds something.
      if (event.button !== 0 || !element || held.current) return;
      const draggable = draggableOf(element);
      const { scene, plane, pane, grip } = draggable;
      const from = draggable.place();
      if (!from) return;
      element.focus();
      if (mayDraw(scene.host) && (event.shiftKey || scene.selected.selecting)) {
        scene.selected.toggle(grip);
        return;
      }
      const near = gripsNear(scene, plane, from, pane);
      if (near.length > 1 && !near.some((other) => scene.selected.isRaised(other))) {
        scene.selected.ask({ grips: near, at: plane.toScreen(from), pane: pane.key });
        return;
      }
      if (!scene.selected.isRaised(grip)) scene.selected.raise(null);
      if (!scene.selected.has(grip)) scene.selected.select([]);
      if (!draggable.movable) return;
      const [x, y] = plane.toScreen(from);
      held.current = {
        draggable,
        element,
        pointer: event.pointerId,
        dx: x - event.clientX,
        dy: y - event.clientY,
        pressed: [event.clientX, event.clientY],
        from,
        document: scene.document,
        evaluation: scene.evaluation,
        moved: false,
      };
      element.setPointerCapture(event.pointerId);
      element.classList.add('held');
      draggable.onTake?.();
    },
    // The focus is given above; the browser's own would take it back from a question that was asked.
    onMouseDown: (event) => event.preventDefault(),
    onPointerMove: (event) => {
      const now = held.current;
      if (!now || event.pointerId !== now.pointer) return;
      // A press that trembles is no move: a point that is only looked at stays where it is.
      if (Math.hypot(event.clientX - now.pressed[0], event.clientY - now.pressed[1]) >= 2) now.moved = true;
      const { draggable, from, document } = now;
      if (now.moved) draggable.scene.host.preview(commandFor(draggable, at(event, now), from, document));
    },
    onPointerUp: (event) => {
      const now = held.current;
      if (!now || event.pointerId !== now.pointer) return;
      const { draggable, moved, from, document } = now;
      const change = moved ? commandFor(draggable, at(event, now), from, document) : null;
      release(now);
      if (!moved) return;
      draggable.scene.host.preview(null);
      if (change) draggable.scene.host.do(change);
    },
    onPointerCancel: cancel,
    onKeyDown: (event) => {
      if (event.key === 'Escape') {
        if (held.current) event.stopPropagation();
        cancel();
        return;
      }
      const element = markOf(event);
      if (!element) return;
      const draggable = draggableOf(element);
      const { scene } = draggable;
      if (event.key === ' ' && mayDraw(scene.host)) {
        event.preventDefault();
        scene.selected.toggle(draggable.grip);
        return;
      }
      const step = arrowStep(event, scene.document.view.grid);
      const from = draggable.place();
      if (!step || !from || held.current) return;
      event.preventDefault();
      if (!draggable.movable) {
        draggable.onFixed?.();
        return;
      }
      const to = [roundPlace(from[0]! + step[0]), roundPlace(from[1]! + step[1])];
      const change = commandFor(draggable, to, from, scene.document);
      if (change) scene.host.do(change);
      draggable.onStep(to);
    },
  };
}

const markOf = ({ target }: { readonly target: EventTarget }): SVGElement | null =>
  (target as Element).closest<SVGElement>('.mark');

/** The command of a grip alone, or that of all that is selected with it. */
function commandFor(
  draggable: Draggable,
  to: Point,
  from: Point,
  document: FigureDocument,
): FigureCommand | null {
  const { scene, grip } = draggable;
  const { grips: selection } = scene.selected;
  if (selection.length < 2 || !scene.selected.has(grip)) return draggable.command(to, document);
  const map = translation(to[0]! - from[0]!, to[1]! - from[1]!);
  return moveGrips(document, selection, map, roundPlace) ?? null;
}
