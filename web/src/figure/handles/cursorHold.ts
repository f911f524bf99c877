import type { Holdable } from '../hold/useHold.js';
import type { ValueSpace } from '../hold/valueSpace.js';
import type { FigureScene } from '../scene/scene.js';

/** The cursor's parameter as something to pull and to nudge. It is no part of the document, so it simply goes along. */
export function cursorHold(scene: FigureScene, space: ValueSpace<number>): Holdable<number> {
  return {
    space,
    value: () => scene.cursor,
    take: () => {
      const before = scene.cursor;
      const move = (u: number): void => scene.axis.moveCursor(u);
      return { preview: move, commit: move, cancel: () => move(before) };
    },
  };
}
