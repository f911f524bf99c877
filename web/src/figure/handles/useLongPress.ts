import { useEffect, useRef, type PointerEvent as ReactPointerEvent } from 'react';

/** How long a finger rests before it is the second button, and how far it may tremble meanwhile. */
const rest = { milliseconds: 600, pixels: 8 };

interface LongPress {
  readonly onPointerDownCapture: (event: ReactPointerEvent) => void;
  readonly onPointerMoveCapture: (event: ReactPointerEvent) => void;
  readonly onPointerUpCapture: () => void;
  readonly onPointerCancelCapture: () => void;
}

/** A finger or pen that rests on a place opens the menu there, as the second button of a mouse does. */
export function useLongPress(): LongPress {
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const from = useRef<readonly [number, number]>([0, 0]);
  const frame = useRef(0);
  const stop = (): void => {
    clearTimeout(timer.current);
    cancelAnimationFrame(frame.current);
  };
  useEffect(() => stop, []);
  return {
    onPointerDownCapture: (event) => {
      stop();
      if (event.pointerType === 'mouse' || !event.isPrimary) return;
      const { target, clientX, clientY, pointerId } = event;
      from.current = [clientX, clientY];
      const open = (): void => {
        // What was taken hold of by the press is let go where it was.
        target.dispatchEvent(new PointerEvent('pointercancel', { bubbles: true, pointerId }));
        target.dispatchEvent(
          new MouseEvent('contextmenu', { bubbles: true, cancelable: true, clientX, clientY }),
        );
      };
      // A page that was busy meanwhile learns only now that the finger has moved: a frame begins with what the finger did.
      timer.current = setTimeout(() => (frame.current = requestAnimationFrame(open)), rest.milliseconds);
    },
    onPointerMoveCapture: ({ clientX, clientY }) => {
      if (Math.hypot(clientX - from.current[0], clientY - from.current[1]) > rest.pixels) stop();
    },
    onPointerUpCapture: stop,
    onPointerCancelCapture: stop,
  };
}
