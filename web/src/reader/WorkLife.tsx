import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useEditedLife, useUndoKeys } from '../saving/useEdited.js';
import { checkIfWaiting, type OpenWork } from './work.js';

/** What open work needs besides being shown: it is sent and undone, checked where that had to wait, and counted as progress. */
export function WorkLife({ lesson, work }: { lesson: string; work: OpenWork }) {
  const client = useQueryClient();
  const { edited } = work;
  useEditedLife(edited);
  useUndoKeys(edited);
  useEffect(() => {
    const refresh = (): void => {
      void client.invalidateQueries({ queryKey: ['read', lesson] });
    };
    // Opening the sheet was progress already; to ask for it waits until the sheet is seen.
    let later: ReturnType<typeof setTimeout>;
    const frame = requestAnimationFrame(() => (later = setTimeout(refresh)));
    const stop = edited.store.subscribe((state, before) => {
      if (state.status !== 'saved' || before.status === 'saved') return;
      // Where it can't be checked now it is tried again at the next opening or saving.
      void checkIfWaiting(work)
        .then((wereSome) => wereSome && refresh())
        .catch(() => null);
    });
    return () => {
      stop();
      cancelAnimationFrame(frame);
      clearTimeout(later);
    };
  }, [client, lesson, edited, work]);
  useEffect(() => {
    void checkIfWaiting(work).catch(() => null);
  }, [work]);
  return null;
}
