import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { Handout } from './Handout.js';
import type { Sheet } from '@bogen/core/lesson';

interface PrintedSheetProps {
  readonly course: string;
  readonly lesson: string;
  readonly sheet: Sheet;
  readonly number: number;
  readonly count: number;
}

/** What the browser prints of the page of a sheet: its handout. It is made when nothing else waits, since printing does not wait. */
export function PrintedSheet({ course, lesson, sheet, number, count }: PrintedSheetProps) {
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
  if (made !== sheet) return null;
  return createPortal(
    <div className="handout-only-printed" aria-hidden>
      <Handout course={course} lesson={lesson} sheets={[sheet]} first={number} count={count} />
    </div>,
    document.body,
  );
}
