import type { ReactNode } from 'react';

/** A key of the keyboard, as it is written in a list. */
export function Key({ children }: { children: ReactNode }) {
  return (
    <kbd className="inline-flex h-5 min-w-5 items-center justify-center rounded border border-line px-1 font-mono text-[11px] text-soft">
      {children}
    </kbd>
  );
}
