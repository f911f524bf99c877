import type { Point } from '@bogen/core/curve';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { places, roundPlace } from '../../figure/hold/place.js';
import { useHold, type Holding } from '../../figure/hold/useHold.js';
import type { Pixel, ValueSpace } from '../../figure/hold/valueSpace.js';
import { fromPixel, pixelIn, type Projection } from '../../figure/geometry/projection.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { ClosingQuestion } from './ClosingQuestion.js';
import { DrawLead } from './DrawBar.js';
import { snap, type Snapped } from './snap.js';
import { StrokeChart } from './StrokeChart.js';
import { tools } from './tools.js';
import type { Drawing } from './useDrawing.js';

interface DrawLayerProps {
  readonly drawing: Drawing;
  readonly scene: FigureScene;
  readonly projection: Projection;
  readonly onSay: (text: string) => void;
}

/**
 * Over the figure while something is drawn: a press sets a place, a pull out of it a handle, a stroke a
 * freehand curve. With the keyboard the arrows move a cross, Space sets a place, Enter ends.
 */
export function DrawLayer({ drawing, scene, projection, onSay }: DrawLayerProps) {
  const { t } = useTranslation();
  const ref = useRef<HTMLDivElement>(null);
  const tool = drawing.tool!;

  const { asksClosing } = drawing;
  useEffect(() => {
    if (!asksClosing) ref.current?.focus();
  }, [tool, asksClosing]);

  // Wherever the focus is, Escape and Backspace mean the drawing, as long as nothing is being typed.
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      if (event.defaultPrevented || asksClosing || ref.current?.contains(target)) return;
      if (
        target.closest(
          'input:not([type=checkbox]):not([type=range]), textarea, [contenteditable], [role=dialog]',
        )
      ) {
        return;
      }
      if (event.key === 'Escape') drawing.cancel();
      else if (event.key === 'Backspace') drawing.removeLast();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });

  const placeAt = ({ pixel, free }: Pointed): Snapped => {
    const pointer = fromPixel(projection, pixel);
    // With Ctrl a place is taken as it is.
    if (free) return { at: pointer.map(roundPlace), kind: null };
    return snap(
      pointer,
      drawing.places.map(({ at }) => at),
      scene.document,
      scene.evaluation,
      projection,
    );
  };
  const set = (snapped: Snapped, pulled?: Point): void => {
    // Back on the first place: the curve is to close there.
    if (snapped.kind === 'start' && tools[tool].closes && drawing.places.length > 2) {
      drawing.askClosing();
      onSay(t('draw.howToClose'));
      return;
    }
    drawing.place(snapped.at, pulled);
    onSay(t('draw.set', { x: shownNumber(snapped.at[0]!), y: shownNumber(snapped.at[1]!) }));
  };

  /** A freehand stroke, through all that the pointer passed. */
  const draw = (first: Pointed): Holding<Pointed> => {
    const stroke: Point[] = [placeAt(first).at];
    const release = (): void => scene.previews.show('hand', null);
    return {
      preview: (_, passed) => {
        stroke.push(...passed().map(({ pixel }) => fromPixel(projection, pixel)));
        scene.previews.show('hand', { places: [], pulls: [], polygon: false, stroke: [...stroke] });
      },
      commit: () => {
        release();
        if (stroke.length > 2) drawing.placeMany(stroke);
      },
      cancel: release,
    };
  };
  /** A place with the handle that is pulled out of it. */
  const pull = (first: Pointed): Holding<Pointed> => {
    const at: Snapped = { at: placeAt(first).at, kind: null };
    return {
      preview: (pointed) => drawing.hover(at, placeAt(pointed).at),
      commit: (pointed) => set(at, placeAt(pointed).at),
      cancel: () => drawing.hover(at),
      pressed: () => set(placeAt(first)),
    };
  };
  const pointed = (event: PointerEvent): Pointed => ({
    pixel: pixelIn(ref.current!, event),
    free: event.ctrlKey,
  });
  const hold = useHold<Pointed>(() => ({
    space: pointing,
    value: (press) => (press && !drawing.asksClosing ? pointed(press) : undefined),
    press: (event) => {
      if (tools[tool].freehand || tools[tool].pulls) return true;
      set(placeAt(pointed(event)));
      return false;
    },
    take: (press) => (tools[tool].freehand ? draw : pull)(pointed(press!)),
    slack: tools[tool].freehand ? 0 : 5,
  }));
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>): void => {
    const { view } = scene;
    const from = drawing.hovered?.at ?? [(view.left + view.right) / 2, (view.bottom + view.top) / 2];
    const next = places(projection, scene.document.view.grid).nudged(from, event);
    if (next) {
      drawing.hover({ at: next, kind: null });
      onSay(t('draw.crossAt', { x: shownNumber(next[0]!), y: shownNumber(next[1]!) }));
    } else if (event.key === ' ') {
      if (drawing.hovered) set({ at: drawing.hovered.at, kind: null });
    } else if (event.key === 'Enter') drawing.finish();
    else if (event.key === 'Backspace') drawing.removeLast();
    else if (event.key === 'Escape') drawing.cancel();
    // A number begins a place by its coordinates.
    else if (/^[\d.(−-]$/.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey)
      drawing.type(event.key);
    else return;
    event.preventDefault();
  };

  const { hovered } = drawing;
  const [x, y] = hovered ? projection.toScreen(hovered.at) : [0, 0];
  return (
    <div
      ref={ref}
      role="application"
      aria-label={t('draw.layer', { tool: t(`draw.tools.${tool}`) })}
      tabIndex={0}
      data-draw-layer
      className="absolute inset-0 cursor-crosshair touch-none outline-none select-none"
      onPointerDown={hold.onPointerDown}
      onMouseDown={hold.onMouseDown}
      onPointerMove={(event) => !hold.isHeld() && drawing.hover(placeAt(pointed(event)))}
      onPointerLeave={() => !hold.isHeld() && drawing.hover(null)}
      onKeyDown={onKeyDown}
    >
      <DrawLead drawing={drawing} />
      {drawing.stroke && (
        <StrokeChart
          stroke={drawing.stroke}
          drawn={drawing.places.map(({ at }) => at)}
          projection={projection}
        />
      )}
      {drawing.asksClosing && <ClosingQuestion drawing={drawing} projection={projection} />}
      {hovered && !drawing.asksClosing && (
        <>
          <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
            <path
              d={`M${x - 9} ${y}H${x + 9}M${x} ${y - 9}V${y + 9}`}
              stroke="var(--accent)"
              strokeWidth={1.25}
            />
          </svg>
          <span
            className="pointer-events-none absolute rounded bg-ink px-1.5 py-0.5 font-mono text-[11px] whitespace-nowrap text-sheet"
            style={{ left: Math.min(x + 14, projection.width - 190), top: Math.max(4, y - 28) }}
            data-snap={hovered.kind ?? 'free'}
          >
            {shownNumber(hovered.at[0]!)}, {shownNumber(hovered.at[1]!)}
            {hovered.kind ? ` · ${t(`draw.snap.${hovered.kind}`, { name: hovered.name ?? '' })}` : ''}
          </span>
        </>
      )}
    </div>
  );
}

/** Where the pointer is, and whether the place there is taken as it is. */
interface Pointed {
  readonly pixel: Pixel;
  readonly free: boolean;
}

const pointing: ValueSpace<Pointed> = {
  toScreen: ({ pixel }) => pixel,
  at: (pixel, { ctrlKey }) => ({ pixel, free: ctrlKey }),
  nudged: () => undefined,
};
