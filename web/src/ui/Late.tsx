import { useDeferredValue, type ReactNode } from 'react';

/**
 * What the picture does not wait for: it comes right after what it stands in. Only what is new to the page
 * is late, and so a `key` says what it is late for. (A value that changes is deferred by React too, but not
 * in a change of address, which is never urgent to it.)
 */
export function Late({ children, meanwhile = null }: { children: ReactNode; meanwhile?: ReactNode }) {
  return useDeferredValue(true, false) ? children : meanwhile;
}
