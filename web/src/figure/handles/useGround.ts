import { gripKey, gripPlace } from '@bogen/core/figure';
import { useState, type PointerEvent } from 'react';
import { pixelIn, toPixel, type Projection } from '../geometry/projection.js';
import { pixels } from '../hold/place.js';
import { useHold, type Holding } from '../hold/useHold.js';
import type { Pixel } from '../hold/valueSpace.js';
import { curvesNear } from '../scene/curveNear.js';
import { gripsOf } from '../scene/gripsNear.js';
import { mayDraw } from '../scene/may.js';
import type { Pane } from '../scene/pane.js';
import type { FigureScene } from '../scene/scene.js';

/** The box in pixels, as a style. */
interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** What is not the ground: presses on it mean something else. */
const notGround = '.mark, [data-draw-layer], [data-chooser], button';

interface Ground {
  /** The box that is being drawn. */
  readonly box: Box | null;
  readonly onPointerDown: (event: PointerEvent<Element>) => void;
  /** Ends what is under way as it is: a second finger makes another gesture of it. */
  readonly letGo: () => void;
}

/**
 * The ground of a pane in the hand. Pulled, it takes the sheet along; with Shift, or while selecting, a box is
 * drawn that selects what it holds, added to the selection with Shift and in its place without. A press alone
 * selects nothing, and one on a curve puts that curve on the rail.
 */
export function useGround(scene: FigureScene, projection: Projection, pane: Pane): Ground {
  const [box, setBox] = useState<Box | null>(null);
  const { selected } = scene;

  const select = (from: Pixel, adds: boolean): Holding<Pixel> => {
    const before = selected.grips;
    const kept = adds ? before : [];
    const done = (): void => setBox(null);
    return {
      preview: ([x, y]) => {
        const [left, right] = [Math.min(x, from[0]), Math.max(x, from[0])];
        const [top, bottom] = [Math.min(y, from[1]), Math.max(y, from[1])];
        setBox({ left, top, width: right - left, height: bottom - top });
        const keys = new Set(kept.map(gripKey));
        const inside = gripsOf(scene, pane).filter((grip) => {
          const place = gripPlace(scene.document, scene.evaluation, grip);
          if (!place || keys.has(gripKey(grip))) return false;
          const [px, py] = toPixel(projection, place);
          return px >= left && px <= right && py >= top && py <= bottom;
        });
        selected.select([...kept, ...inside]);
      },
      commit: done,
      cancel: () => {
        done();
        selected.select(before);
      },
      pressed: () => selected.select(kept),
    };
  };

  const pan = (from: Pixel): Holding<Pixel> => {
    const { view } = scene;
    const before = scene.viewed.view;
    const perPixel = 1 / (projection.scale * projection.markScale);
    return {
      preview: ([x, y]) => {
        const [right, up] = [(from[0] - x) * perPixel, (y - from[1]) * perPixel];
        scene.viewed.setView({
          ...view,
          left: view.left + right,
          right: view.right + right,
          bottom: view.bottom + up,
          top: view.top + up,
        });
      },
      commit: () => undefined,
      cancel: () => {
        if (scene.viewed.view !== before) scene.viewed.setView(before);
      },
      pressed: () => {
        selected.select([]);
        if (mayDraw(scene.host)) takeCurve(scene, projection, pane, from);
      },
    };
  };

  const hold = useHold<Pixel>((element) => ({
    space: pixels,
    value: (press) => {
      const isGround = press?.isPrimary && !(press.target as Element).closest(notGround);
      return isGround ? pixelIn(element, press) : undefined;
    },
    press: () => {
      if (selected.question) selected.ask(null);
      selected.raise(null);
      return true;
    },
    take: (press) => {
      const from = pixelIn(element, press!);
      const draws = mayDraw(scene.host) && (press!.shiftKey || selected.selecting);
      return draws ? select(from, press!.shiftKey) : pan(from);
    },
    slack: 3,
  }));
  return { box, onPointerDown: hold.onPointerDown, letGo: hold.letGo };
}

/** Puts the curve under a press on the rail; of several that lie there, the next one with each press. */
function takeCurve(scene: FigureScene, projection: Projection, pane: Pane, at: Pixel): void {
  const { rail } = scene.document;
  const near = curvesNear(scene, projection, pane, at).filter((item) => item.kind !== 'curve' || !item.faint);
  if (near.length === 0) return;
  const now = near.findIndex(({ id }) => id === rail.item);
  const next = near[(now + 1) % near.length]!;
  if (next.id !== rail.item) scene.host.do({ name: 'setRail', rail: { ...rail, item: next.id } });
}
