import { useEffect, useRef, useState } from 'react';
import type { EditedDocument } from './editedDocument.js';

/** What is typed in a field and not yet a step of the document; `null` while nothing is. */
export interface Typing {
  readonly typed: string | null;
  readonly type: (text: string | null) => void;
  /** Makes a step of it. */
  readonly finish: () => void;
}

/**
 * A field that becomes a step when it is left, and at the latest when it goes from the page, so that nothing
 * that was typed is lost.
 * @param take makes the step
 */
export function useTyping<Document, Command>(
  edited: EditedDocument<Document, Command>,
  take: (typed: string) => void,
): Typing {
  const [typed, type] = useState<string | null>(null);
  const latest = useRef<() => void>(() => undefined);
  latest.current = () => {
    if (typed === null) return;
    // Once, also where this is asked for again before the field is drawn anew.
    latest.current = () => undefined;
    take(typed);
    type(null);
  };
  useEffect(() => {
    const finish = (): void => latest.current();
    const stop = edited.addTyping(finish);
    return () => {
      finish();
      stop();
    };
  }, [edited]);
  return { typed, type, finish: () => latest.current() };
}
