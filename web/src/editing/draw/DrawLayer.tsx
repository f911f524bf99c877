import type { Point } from '@bogen/core/curve';
import { useEffect, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { arrowStep, roundPlace } from '../../figure/handles/dragging.js';
import type { Plane } from '../../figure/geometry/plane.js';
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
  readonly plane: Plane;
  readonly onSay: (text: string) => void;
}

/**
 * Over the figure while something is drawn: a press sets a place, a pull out of it a handle, a stroke a
 * freehand curve. With the keyboard the arrows move a cross, Space sets a place, Enter ends.
 */
export function DrawLayer({ drawing, scene, plane, onSay }: DrawLayerProps) {
  const { t } = useTranslation();
  const ref = useRef<HTMLDivElement>(null);
  const down = useRef<{ at: Point; from: readonly [number, number]; stroke: Point[] } | null>(null);
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

  const placeOf = (event: PointerEvent): Snapped => {
    const box = ref.current!.getBoundingClientRect();
    const pointer = plane.toPlane(event.clientX - box.left, event.clientY - box.top);
    // With Ctrl a place is taken as it is.
    if (event.ctrlKey) return { at: pointer.map(roundPlace), kind: null };
    return snap(
      pointer,
      drawing.places.map(({ at }) => at),
      scene.document,
      scene.evaluation,
      plane,
    );
  };
  const set = (snapped: Snapped, pulled?: Point): void => {
    // Back on the first place: the curve is to close there.
    if (snapped.kind === 'start' && tools[tool].uses.includes('closed') && drawing.places.length > 2) {
      drawing.askClosing();
      onSay(t('draw.howToClose'));
      return;
    }
    drawing.place(snapped.at, pulled);
    onSay(t('draw.set', { x: shownNumber(snapped.at[0]!), y: shownNumber(snapped.at[1]!) }));
  };

  const onPointerDown = (event: PointerEvent<HTMLDivElement>): void => {
    if (event.button !== 0 || drawing.asksClosing) return;
    ref.current!.focus();
    ref.current!.setPointerCapture(event.pointerId);
    const snapped = placeOf(event);
    down.current = { at: snapped.at, from: [event.clientX, event.clientY], stroke: [snapped.at] };
    if (!tools[tool].freehand && !tools[tool].pulls) {
      down.current = null;
      set(snapped);
    }
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>): void => {
    const { current } = down;
    if (current && tools[tool].freehand) {
      const box = ref.current!.getBoundingClientRect();
      const moves = event.nativeEvent.getCoalescedEvents();
      for (const move of moves.length > 0 ? moves : [event.nativeEvent]) {
        current.stroke.push(plane.toPlane(move.clientX - box.left, move.clientY - box.top));
      }
      scene.showPreview('drawing', { places: [], pulls: [], polygon: false, stroke: [...current.stroke] });
      return;
    }
    if (current && pulledFar(event, current.from)) {
      drawing.hover({ at: current.at, kind: null }, placeOf(event).at);
      return;
    }
    drawing.hover(placeOf(event));
  };
  const onPointerUp = (event: PointerEvent<HTMLDivElement>): void => {
    const { current } = down;
    down.current = null;
    if (!current) return;
    if (tools[tool].freehand) {
      if (current.stroke.length > 2) drawing.placeMany(current.stroke);
      return;
    }
    const snapped = placeOf(event);
    if (pulledFar(event, current.from)) set({ at: current.at, kind: null }, snapped.at);
    else set(snapped);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>): void => {
    const step = arrowStep(event, scene.document.view.grid);
    if (step) {
      const { view } = scene;
      const from = drawing.hovered?.at ?? [(view.left + view.right) / 2, (view.bottom + view.top) / 2];
      const at = from.map((value, axis) => roundPlace(value + step[axis]!));
      drawing.hover({ at, kind: null });
      onSay(t('draw.crossAt', { x: shownNumber(at[0]!), y: shownNumber(at[1]!) }));
    } else if (event.key === ' ') {
      if (drawing.hovered) set({ at: drawing.hovered.at, kind: null });
    } else if (event.key === 'Enter') drawing.finish();
    else if (event.key === 'Backspace') drawing.removeLast();
    else if (event.key === 'Escape') drawing.cancel();
    else return;
    event.preventDefault();
  };

  const { hovered } = drawing;
  const [x, y] = hovered ? plane.toScreen(hovered.at) : [0, 0];
  return (
    <div
      ref={ref}
      role="application"
      aria-label={t('draw.layer', { tool: t(`draw.tools.${tool}`) })}
      tabIndex={0}
      data-draw-layer
      className="absolute inset-0 cursor-crosshair touch-none outline-none select-none"
      onPointerDown={onPointerDown}
      // The focus is given by hand; the browser's own would take it back from a question that was asked.
      onMouseDown={(event) => event.preventDefault()}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={() => (down.current = null)}
      onPointerLeave={() => !down.current && drawing.hover(null)}
      onKeyDown={onKeyDown}
    >
      <DrawLead drawing={drawing} />
      {drawing.stroke && (
        <StrokeChart stroke={drawing.stroke} drawn={drawing.places.map(({ at }) => at)} plane={plane} />
      )}
      {drawing.asksClosing && <ClosingQuestion drawing={drawing} plane={plane} />}
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
            style={{ left: Math.min(x + 14, plane.width - 190), top: Math.max(4, y - 28) }}
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

/** Whether the pointer went so far from where it was pressed that a handle is meant. */
function pulledFar(event: PointerEvent, from: readonly [number, number]): boolean {
  return Math.hypot(event.clientX - from[0], event.clientY - from[1]) > 5;
}
