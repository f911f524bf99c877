import { useEffect, useRef } from 'react';
import { useSingleKeys } from './singleKeys.js';

/** One letter that acts wherever nothing is typed, as long as single letters may. */
export function useSingleKey(key: string, act: () => void): void {
  const isOn = useSingleKeys((state) => state.on);
  const latest = useRef(act);
  latest.current = act;
  useEffect(() => {
    if (!isOn) return undefined;
    const onKey = (event: KeyboardEvent): void => {
      if (event.key !== key || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey)
        return;
      if ((event.target as HTMLElement).closest('input, textarea, select, [contenteditable="true"]')) return;
      event.preventDefault();
      latest.current();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [key, isOn]);
}
