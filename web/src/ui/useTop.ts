import { useLayoutEffect, useRef, type RefObject } from 'react';

/** Something that scrolls, at its top again with each new content. */
export function useTop<E extends HTMLElement>(content: unknown): RefObject<E | null> {
  const ref = useRef<E | null>(null);
  useLayoutEffect(() => {
    if (ref.current) ref.current.scrollTop = 0;
  }, [content]);
  return ref;
}
