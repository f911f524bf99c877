import { useEffect, useRef } from 'react';

/** Calls the latest of a function when its component goes: what is under way then is let go, or finished. */
export function useAtEnd(end: () => void): void {
  const latest = useRef(end);
  latest.current = end;
  useEffect(() => () => latest.current(), []);
}
