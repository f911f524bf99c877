import { useRef, type KeyboardEvent, type MouseEvent, type PointerEvent } from 'react';
import { useAtEnd } from '../../ui/useAtEnd.js';
import type { HeldKeys, Pixel, ValueSpace } from './valueSpace.js';

/** What becomes of a value while it is in the hand. Whoever gives it keeps how things were when it was taken. */
export interface Holding<Value> {
  /**
   * Shows what the value would make.
   * @param passed gives the values that the pointer passed since the last one, the newest at the end
   */
  readonly preview: (value: Value, passed: () => readonly Value[]) => void;
  /** The hand let go: one step, and nothing of the preview is left. */
  readonly commit: (value: Value) => void;
  /** Nothing has happened: Escape, a lost pointer, or a page that goes. */
  readonly cancel: () => void;
  /** Let go where it was pressed: no move at all. */
  readonly pressed?: (event: globalThis.PointerEvent) => void;
}

/** Something to take hold of with the pointer, a finger or the keys. */
export interface Holdable<Value> {
  /** As the figure is shown now; it may be zoomed while something is held. */
  readonly space: ValueSpace<Value>;
  /** Nothing where there is nothing to hold. What has no value of its own has that of the place where it is pressed. */
  readonly value: (press?: PointerEvent) => Value | undefined;
  /** What a press does besides; where it says `false` nothing is taken hold of. */
  readonly press?: (event: PointerEvent) => boolean;
  /** For what is seen and can't be changed: what a key on it says. */
  readonly fixed?: () => void;
  readonly take: (press?: PointerEvent) => Holding<Value>;
  /** Told after a step by a key. */
  readonly nudged?: (value: Value) => void;
  /** Pixels that a press may tremble without being a move; two where nothing is said. With none the press counts itself, and is shown at once. */
  readonly slack?: number;
}

/** What an element that can be taken hold of, or a group of them, listens to. */
export interface HoldHandlers {
  readonly onPointerDown: (event: PointerEvent<Element>) => void;
  readonly onMouseDown: (event: MouseEvent) => void;
  readonly onKeyDown: (event: KeyboardEvent<Element>) => void;
}

interface Hold extends HoldHandlers {
  readonly isHeld: () => boolean;
  /** Ends what is in the hand as it is, for instance where a second finger makes another gesture of it. */
  readonly letGo: () => void;
}

interface Held<Value> {
  readonly element: Element;
  readonly pointer: number;
  /** From the pointer to the mark, when it was pressed. */
  readonly offset: Pixel;
  readonly pressed: Pixel;
  readonly holding: Holding<Value>;
  readonly slack: number;
  readonly stopListening: () => void;
  last: Value;
  moved: boolean;
}

/**
 * The one way of taking hold of something, in the figure and on the rail: a press takes it, every move shows what
 * it would make, letting go is one step, Escape leaves no trace; the keys step through the same values. A press
 * that trembles is no move, and a second finger takes nothing while one holds something.
 * @param holdableOf what an element stands for, itself or the nearest `.mark` around what was pressed; nothing where
 *   it can't be taken
 */
export function useHold<Value>(holdableOf: (element: Element) => Holdable<Value> | undefined): Hold {
  const latest = useRef(holdableOf);
  latest.current = holdableOf;
  const held = useRef<Held<Value> | null>(null);

  const release = (): Held<Value> | null => {
    const now = held.current;
    held.current = null;
    now?.stopListening();
    now?.element.classList.remove('held');
    return now;
  };
  const cancel = (): void => release()?.holding.cancel();
  const letGo = (): void => {
    const now = release();
    if (now?.moved) now.holding.commit(now.last);
    else now?.holding.cancel();
  };
  // What goes from the page with something in the hand, with its sheet or by an undo elsewhere, lets go of it.
  useAtEnd(cancel);

  const valueAt = (now: Held<Value>, event: globalThis.PointerEvent, keys: HeldKeys): Value => {
    const { space } = latest.current(now.element)!;
    return space.at([event.clientX + now.offset[0], event.clientY + now.offset[1]], keys);
  };
  const onMove = (event: globalThis.PointerEvent): void => {
    const now = held.current;
    if (!now || event.pointerId !== now.pointer) return;
    if (!latest.current(now.element)) {
      cancel();
      return;
    }
    const far = Math.hypot(event.clientX - now.pressed[0], event.clientY - now.pressed[1]);
    if (far >= now.slack) now.moved = true;
    if (!now.moved) return;
    now.last = valueAt(now, event, event);
    now.holding.preview(now.last, () => movesOf(event).map((one) => valueAt(now, one, event)));
  };
  const onUp = (event: globalThis.PointerEvent): void => {
    const now = held.current;
    if (!now || event.pointerId !== now.pointer) return;
    release();
    if (!now.moved || !latest.current(now.element)) {
      now.holding.cancel();
      if (!now.moved) now.holding.pressed?.(event);
    } else now.holding.commit(valueAt(now, event, event));
  };
  const onCancel = (event: globalThis.PointerEvent): void => {
    if (event.pointerId === held.current?.pointer) cancel();
  };
  const onEscape = (event: globalThis.KeyboardEvent): void => {
    if (event.key !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    cancel();
  };
  /** Wherever pointer and focus go while something is held. */
  const listen = (): (() => void) => {
    const listeners = { pointermove: onMove, pointerup: onUp, pointercancel: onCancel };
    for (const [type, listener] of Object.entries(listeners)) {
      window.addEventListener(type, listener as EventListener);
    }
    window.addEventListener('keydown', onEscape, true);
    return () => {
      for (const [type, listener] of Object.entries(listeners)) {
        window.removeEventListener(type, listener as EventListener);
      }
      window.removeEventListener('keydown', onEscape, true);
    };
  };

  return {
    isHeld: () => held.current !== null,
    letGo,
    onPointerDown: (event) => {
      if (event.button !== 0 || held.current) return;
      const element = markOf(event);
      const holdable = latest.current(element);
      const value = holdable?.value(event);
      if (!holdable || value === undefined) return;
      (element as SVGElement | HTMLElement).focus();
      if (holdable.press?.(event) === false || holdable.fixed) return;
      const [x, y] = holdable.space.toScreen(value);
      element.setPointerCapture(event.pointerId);
      element.classList.add('held');
      held.current = {
        element,
        pointer: event.pointerId,
        offset: [x - event.clientX, y - event.clientY],
        pressed: [event.clientX, event.clientY],
        holding: holdable.take(event),
        slack: holdable.slack ?? 2,
        stopListening: listen(),
        last: value,
        moved: holdable.slack === 0,
      };
      if (holdable.slack === 0) held.current.holding.preview(value, () => [value]);
    },
    // The focus is given above; the browser's own would take it back from a question that was asked.
    onMouseDown: (event) => event.preventDefault(),
    onKeyDown: (event) => {
      if (held.current) return;
      const holdable = latest.current(markOf(event));
      const value = holdable?.value();
      if (!holdable || value === undefined) return;
      const next = holdable.space.nudged(value, event);
      if (next === undefined) return;
      event.preventDefault();
      if (holdable.fixed) {
        holdable.fixed();
        return;
      }
      holdable.take().commit(next);
      holdable.nudged?.(next);
    },
  };
}

/** The moves that the browser brought together in one. Over plain HTTP it does not tell them. */
function movesOf(event: globalThis.PointerEvent): readonly globalThis.PointerEvent[] {
  const moves = (event as Partial<globalThis.PointerEvent>).getCoalescedEvents?.() ?? [];
  return moves.length > 0 ? moves : [event];
}

const markOf = (event: {
  readonly target: EventTarget;
  readonly currentTarget: EventTarget & Element;
}): Element => (event.target as Element).closest('.mark') ?? event.currentTarget;
