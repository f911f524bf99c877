import { usualNotation, type Notation } from '@bogen/core/lesson';
import { useLayoutEffect } from 'react';
import { create } from 'zustand';

/**
 * The notation of the lesson that the page shows. It is one for the whole page, since names and numbers are written in a
 * hundred places, on canvases and in sentences; what draws or writes them depends on it.
 */
export const useNotation = create<Notation>(() => usualNotation);

/** The notation that names and numbers are written in now. */
export const notation = (): Notation => useNotation.getState();

/** The number of what has this index, as the lesson counts. */
export const counted = (index: number): number => index + notation().first;

/** A degree as the lesson writes it: itself, or the order. */
export const sizeOf = (degree: number): number => degree + (notation().size === 'order' ? 1 : 0);

/** Lets the page write as a lesson wants it, for as long as it is shown. */
export function useNotationOf(wanted: Notation = usualNotation): void {
  useLayoutEffect(() => {
    useNotation.setState(wanted, true);
    return () => useNotation.setState(usualNotation, true);
  }, [wanted]);
}
