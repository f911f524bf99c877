import { useCallback, useState } from 'react';

/**
 * State that belongs to something, its owner, and begins anew with another one, in the very rendering that
 * brings it. What is set for an owner that is gone is forgotten.
 */
export function useStateOf<T>(owner: unknown, first: T): [T, (next: T | ((before: T) => T)) => void] {
  const [held, hold] = useState({ owner, value: first });
  const isOld = held.owner !== owner;
  if (isOld) hold({ owner, value: first });
  const set = useCallback(
    (next: T | ((before: T) => T)) =>
      hold((before) => {
        if (before.owner !== owner) return before;
        return { owner, value: next instanceof Function ? next(before.value) : next };
      }),
    [owner],
  );
  return [isOld ? first : held.value, set];
}
