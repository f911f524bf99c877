import type { Point } from '@bogen/core/curve';
import {
  moveGrips,
  translation,
  type FigureCommand,
  type FigureDocument,
  type Grip,
} from '@bogen/core/figure';
import type { Told } from '@bogen/core/lesson';
import { useRef } from 'react';
import type { Projection } from '../geometry/projection.js';
import { places, roundPlace } from '../hold/place.js';
import { useHold, type Holdable, type HoldHandlers } from '../hold/useHold.js';
import { endSnap } from './endSnap.js';
import { gripsNear } from '../scene/gripsNear.js';
import { mayDraw } from '../scene/may.js';
import type { Pane } from '../scene/pane.js';
import type { FigureScene } from '../scene/scene.js';
import type { FigureState } from '../scene/sceneParts.js';

/** A grip of the figure as something to drag, to nudge and to select. */
export interface MovableGrip {
  readonly scene: FigureScene;
  readonly projection: Projection;
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

/**
 * What makes elements grips of the figure. One of several selected grips takes the others along. Where several
 * grips lie on one place it is asked which is meant. With Shift a press, and Space without one, adds to the
 * selection or takes out of it. With Ctrl a grip snaps to what lies near, where its figure is drawn and not only
 * tried.
 * @param gripOf what an element with the class `mark` stands for; there may be many below one listener
 */
export function useGrips(
  gripOf: (mark: Element) => MovableGrip | undefined,
): HoldHandlers & { readonly isHeld: () => boolean } {
  /** The figure as it was when a grip was taken. */
  const before = useRef<FigureState | null>(null);
  const hold = useHold((mark) => {
    const found = gripOf(mark);
    return found && holdableGrip(found, before);
  });
  return {
    isHeld: hold.isHeld,
    onPointerDown: hold.onPointerDown,
    onMouseDown: hold.onMouseDown,
    onKeyDown: (event) => {
      const mark = (event.target as Element).closest('.mark');
      const found = event.key === ' ' && mark ? gripOf(mark) : undefined;
      if (found && mayDraw(found.scene.host)) {
        event.preventDefault();
        found.scene.selected.toggle(found.grip);
      } else hold.onKeyDown(event);
    },
  };
}

function holdableGrip(movable: MovableGrip, before: { current: FigureState | null }): Holdable<Point> {
  const { scene, projection, pane, grip, onFixed } = movable;
  const snapTo = (pointer: Point, ctrlKey: boolean): Point | null => {
    const { snap } = scene.host;
    const state = before.current;
    const snapped =
      (state && ctrlKey && snap?.(scene, grip, pointer, state, projection)) ||
      (state && !ctrlKey && endSnap(grip, pointer, state, projection, pane)) ||
      null;
    scene.previews.setSnapped(snapped);
    return snapped && snapped.at;
  };
  return {
    space: places(projection, scene.document.view.grid, (pointer, keys) => snapTo(pointer, keys.ctrlKey)),
    value: movable.place,
    press: ({ shiftKey }) => {
      const { selected } = scene;
      if (mayDraw(scene.host) && (shiftKey || selected.selecting)) {
        selected.toggle(grip);
        return false;
      }
      const at = movable.place()!;
      const near = gripsNear(scene, projection, at, pane);
      if (near.length > 1 && !near.some((other) => selected.isRaised(other))) {
        selected.ask({ grips: near, at: projection.toScreen(at), pane: pane.key });
        return false;
      }
      if (!selected.isRaised(grip)) selected.raise(null);
      if (!selected.has(grip)) selected.select([]);
      return true;
    },
    ...(movable.movable ? {} : { fixed: () => onFixed?.() }),
    nudged: movable.onStep,
    take: () => {
      const from = movable.place()!;
      const { document, evaluation } = scene;
      before.current = { document, evaluation };
      movable.onTake?.();
      scene.previews.setRefused(null);
      let isShown = false;
      const release = (): void => {
        before.current = null;
        scene.previews.setSnapped(null);
        scene.previews.setRefused(null);
        if (isShown) scene.host.preview(null);
      };
      let last: FigureCommand | null = null;
      const refuse = (told: Told | null, at: Point): void => scene.previews.setRefused(told && { told, at });
      return {
        // Where a locked joint forbids it, the figure stays as it was last, and says why.
        preview: (to) => {
          isShown = true;
          const command = commandFor(movable, to, from, document);
          const refused = scene.attempt('preview', command);
          if (!refused) last = command;
          refuse(refused, to);
        },
        commit: (to) => {
          const isDragged = isShown;
          const command = commandFor(movable, to, from, document);
          release();
          const refused = scene.attempt('do', command);
          if (refused && isDragged) {
            scene.attempt('do', last);
            // It was said while it was in the hand.
            refuse(null, to);
          } else refuse(refused, to);
        },
        cancel: release,
      };
    },
  };
}

/** The command of a grip alone, or that of all that is selected with it. */
function commandFor(
  { scene, grip, command }: MovableGrip,
  to: Point,
  from: Point,
  document: FigureDocument,
): FigureCommand | null {
  const { grips: selection } = scene.selected;
  if (selection.length < 2 || !scene.selected.has(grip)) return command(to, document);
  const map = translation(to[0]! - from[0]!, to[1]! - from[1]!);
  return moveGrips(document, selection, map, roundPlace) ?? null;
}
