import type { Point } from '@bogen/core/curve';
import { boxOf, curveOf, gripPlace, pictureCorners, type FigureCommand, type View } from '@bogen/core/figure';
import { Minus, Plus } from 'lucide-react';
import { useEffect, useLayoutEffect, useRef, type RefObject } from 'react';
import { useTranslation } from '../../text/text.js';
import { gridStep } from '../paint/drawGround.js';
import { fromPixel, pixelIn, type Projection } from '../geometry/projection.js';
import type { Pixel } from '../hold/valueSpace.js';
import type { FigureScene } from '../scene/scene.js';
import { useParts } from '../scene/useScene.js';

/** How far in and out one can go, against the document's view. */
const limits = { in: 400, out: 40 };

function zoomed(scene: FigureScene, factor: number, [x, y]: readonly [number, number]): View {
  const { view, document } = scene;
  const whole = document.view.right - document.view.left;
  const width = view.right - view.left;
  const kept = Math.min(whole * limits.out, Math.max(whole / limits.in, width / factor)) / width;
  return {
    ...view,
    left: x + (view.left - x) * kept,
    right: x + (view.right - x) * kept,
    bottom: y + (view.bottom - y) * kept,
    top: y + (view.top - y) * kept,
  };
}

function moved({ view }: FigureScene, dx: number, dy: number): View {
  return {
    ...view,
    left: view.left + dx,
    right: view.right + dx,
    bottom: view.bottom + dy,
    top: view.top + dy,
  };
}

/**
 * Zooms with the wheel about the pointer and with two fingers about their middle; moves with two fingers, and with
 * Shift and the wheel.
 * @param onSecondFinger told when what the first finger began is a gesture of two
 */
export function useZoom(
  ref: RefObject<HTMLDivElement | null>,
  scene: FigureScene,
  projection: Projection,
  onSecondFinger: () => void,
): void {
  // Every step of a gesture changes the projection; the gesture goes on.
  const now = useRef({ projection, onSecondFinger });
  useLayoutEffect(() => {
    now.current = { projection, onSecondFinger };
  });
  useEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const placeAt = (pixel: Pixel): [number, number] => fromPixel(now.current.projection, pixel);
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const pixels = event.deltaMode === 1 ? 16 : 1;
      if (event.shiftKey) {
        const { scale, markScale } = now.current.projection;
        const along = (event.deltaX || event.deltaY) * pixels;
        scene.viewed.setView(moved(scene, along / (scale * markScale), 0));
        return;
      }
      const factor = Math.exp((-event.deltaY * pixels) / 400);
      scene.viewed.setView(zoomed(scene, factor, placeAt(pixelIn(element, event))));
    };
    const fingers = new Map<number, Pixel>();
    const onDown = (event: PointerEvent): void => {
      fingers.set(event.pointerId, pixelIn(element, event));
      if (fingers.size === 2) now.current.onSecondFinger();
    };
    const onMove = (event: PointerEvent): void => {
      const before = fingers.get(event.pointerId);
      if (!before) return;
      const at = pixelIn(element, event);
      fingers.set(event.pointerId, at);
      if (fingers.size !== 2) return;
      const [other] = [...fingers].filter(([id]) => id !== event.pointerId).map(([, place]) => place);
      const spread = (a: Pixel): number => Math.hypot(a[0] - other![0], a[1] - other![1]);
      const middle = placeAt([(at[0] + other![0]) / 2, (at[1] + other![1]) / 2]);
      if (spread(before) > 10) scene.viewed.setView(zoomed(scene, spread(at) / spread(before), middle));
    };
    const onUp = (event: PointerEvent): void => {
      fingers.delete(event.pointerId);
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    element.addEventListener('pointerdown', onDown);
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    window.addEventListener('pointercancel', onUp);
    return () => {
      element.removeEventListener('wheel', onWheel);
      element.removeEventListener('pointerdown', onDown);
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
      window.removeEventListener('pointercancel', onUp);
    };
  }, [ref, scene]);
}

/** Shows a box of the plane with a margin around it. */
function zoomTo(scene: FigureScene, places: readonly Point[]): void {
  const box = boxOf(places);
  if (!box) return;
  const { document } = scene;
  const whole = document.view.right - document.view.left;
  const margin = Math.max(
    0.08 * Math.max(box.high[0]! - box.low[0]!, box.high[1]! - box.low[1]!),
    whole / limits.in,
  );
  scene.viewed.setView({
    ...document.view,
    left: box.low[0]! - margin,
    right: box.high[0]! + margin,
    // The lower edge has the facts of the curve.
    bottom: box.low[1]! - margin - 0.15 * (box.high[1]! - box.low[1]!),
    top: box.high[1]! + margin,
  });
}

/** What is shown, as the part of the plane that the document shows first; to four digits of its size. */
function keptView({ view, document }: FigureScene): FigureCommand {
  const digit = 10 ** (Math.floor(Math.log10(view.right - view.left)) - 3);
  const rounded = (value: number): number => Number((Math.round(value / digit) * digit).toPrecision(12));
  const { left, right, bottom, top } = view;
  return {
    name: 'setView',
    view: {
      grid: document.view.grid,
      left: rounded(left),
      right: rounded(right),
      bottom: rounded(bottom),
      top: rounded(top),
    },
  };
}

/** The places that everything drawn takes up. */
function drawnPlaces({ document, evaluation }: FigureScene): Point[] {
  return document.items.flatMap((item) => {
    if (item.hidden) return [];
    if (item.kind === 'point') return [item.at];
    if (item.kind === 'picture') return pictureCorners(item);
    return curveOf(evaluation, item.id)?.points ?? [];
  });
}

/** The places of the selection, or of everything where nothing is selected. */
export function zoomToSelection(scene: FigureScene): void {
  const { document, evaluation, selected } = scene;
  const places = selected.grips.flatMap((grip) => {
    const place = gripPlace(document, evaluation, grip);
    return place ? [place] : [];
  });
  zoomTo(scene, places.length > 0 ? places : drawnPlaces(scene));
}

/** Moves what is shown by shares of its width and height. */
export function panBy(scene: FigureScene, across: number, up: number): void {
  const { view } = scene;
  scene.viewed.setView(moved(scene, across * (view.right - view.left), up * (view.top - view.bottom)));
}

/** Larger or smaller about the middle of what is shown. */
export function zoomBy(scene: FigureScene, factor: number): void {
  const { view } = scene;
  scene.viewed.setView(zoomed(scene, factor, [(view.left + view.right) / 2, (view.bottom + view.top) / 2]));
}

/** The grid's size, and buttons to zoom and to see everything again. */
export function ZoomButtons({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  const { view, document } = scene;
  useParts(scene.laidOut, scene.viewed, scene.selected, scene.structured);
  const { scale } = scene.laidOut;
  const button = 'inline-flex h-6 items-center rounded px-1 hover:bg-tint';
  return (
    <p
      data-zoom
      className="absolute right-3 bottom-1.5 flex items-center gap-1 font-mono text-[11.5px] text-soft"
    >
      {view !== document.view && (
        <>
          {scene.host.may(keptView(scene)) && (
            <button
              type="button"
              className={button}
              title={t('figure.keepViewHelp')}
              onClick={() => {
                scene.host.do(keptView(scene));
                scene.viewed.setView(null);
              }}
            >
              {t('figure.keepView')}
            </button>
          )}
          <button type="button" className={button} onClick={() => scene.viewed.setView(null)}>
            {t('figure.wholeView')}
          </button>
        </>
      )}
      <button
        type="button"
        className={button}
        title={scene.selected.grips.length > 0 ? t('figure.fitSelection') : t('figure.fit')}
        onClick={() => zoomToSelection(scene)}
      >
        {scene.selected.grips.length > 0 ? t('figure.fitSelection') : t('figure.fit')}
      </button>
      <button
        type="button"
        className={button}
        aria-label={t('figure.zoomOut')}
        title={t('figure.zoomOut')}
        onClick={() => zoomBy(scene, 1 / 1.5)}
      >
        <Minus aria-hidden size={13} />
      </button>
      <button
        type="button"
        className={button}
        aria-label={t('figure.zoomIn')}
        title={t('figure.zoomIn')}
        onClick={() => zoomBy(scene, 1.5)}
      >
        <Plus aria-hidden size={13} />
      </button>
      <span>
        {scale > 0 && t('figure.grid', { size: Number(gridStep(document.view.grid, scale).toPrecision(6)) })}
      </span>
    </p>
  );
}
