import { startTransition, useLayoutEffect, useState, type ReactNode } from 'react';

/**
 * What the picture does not wait for: it comes when the picture that it stands in has been painted. A `key`
 * says what it is late for.
 */
export function Deferred({ children, meanwhile = null }: { children: ReactNode; meanwhile?: ReactNode }) {
  const [isTurn, setTurn] = useState(false);
  useLayoutEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    // What is asked for in a frame runs when that frame is painted.
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setTurn(true)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, []);
  return isTurn ? children : meanwhile;
}
