import type { Sheet } from '@bogen/core/lesson';
import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { Handout } from './Handout.js';

interface PrintedSheetProps {
  readonly course: string;
  readonly lesson: string;
  readonly sheet: Sheet;
  readonly number: number;
  readonly count: number;
}

/** A place beside the page, in which something is made that is seen on paper alone. */
function placeOnPaper(): HTMLElement {
  const place = document.createElement('div');
  place.className = 'handout-only-printed';
  return place;
}

/**
 * What the browser prints of the page of a sheet: its handout. It is made when nothing else waits, since printing does not
 * wait, and stands in the page only while it is printed.
 */
export function PrintedSheet({ course, lesson, sheet, number, count }: PrintedSheetProps) {
  const [place] = useState(placeOnPaper);
  const [made, setMade] = useState<Sheet | null>(null);
  useEffect(() => {
    const make = (): void => setMade(sheet);
    if (typeof requestIdleCallback !== 'function') {
      const timer = setTimeout(make, 1000);
      return () => clearTimeout(timer);
    }
    const idle = requestIdleCallback(make, { timeout: 4000 });
    return () => cancelIdleCallback(idle);
  }, [sheet]);
  useEffect(() => {
    const add = (): void => document.body.append(place);
    const remove = (): void => place.remove();
    addEventListener('beforeprint', add);
    addEventListener('afterprint', remove);
    return () => {
      removeEventListener('beforeprint', add);
      removeEventListener('afterprint', remove);
      remove();
    };
  }, [place]);
  if (made !== sheet) return null;
  return createPortal(
    <Handout course={course} lesson={lesson} sheets={[sheet]} first={number} count={count} />,
    place,
  );
}
