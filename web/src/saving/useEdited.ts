import { useEffect, useRef } from 'react';
import { useStore } from 'zustand';
import type { EditedDocument } from './editedDocument.js';
import type { EditedState } from './state.js';

/** A part of an open document's state, kept up to date. */
export function useEdited<Document, Command, Part>(
  edited: EditedDocument<Document, Command>,
  select: (state: EditedState<Document, Command>) => Part,
): Part {
  return useStore(edited.store, select);
}

/** Sends what waits when the connection is back or the page comes to the front, and ends with the page. */
export function useEditedLife<Document, Command>(edited: EditedDocument<Document, Command>): void {
  useEffect(() => {
    const retry = (): void => {
      if (!edited.isSaved) edited.retry();
    };
    const visible = (): void => {
      if (document.visibilityState === 'visible') retry();
      else edited.finishTyping();
    };
    const leave = (): void => edited.finishTyping();
    window.addEventListener('pagehide', leave);
    window.addEventListener('online', retry);
    document.addEventListener('visibilitychange', visible);
    return () => {
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('online', retry);
      document.removeEventListener('visibilitychange', visible);
    };
  }, [edited]);
}

/**
 * Undo and redo by keyboard, wherever the focus is, except in fields that undo their own typing.
 * @param onEffect told what an undo or redo came down to
 */
export function useUndoKeys<Document, Command>(
  edited: EditedDocument<Document, Command>,
  onEffect?: (effect: Command) => void,
): void {
  const latest = useRef(onEffect);
  latest.current = onEffect;
  useEffect(() => {
    const told = (effect: Command | undefined): void => {
      if (effect !== undefined) latest.current?.(effect);
    };
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea')) return;
      const key = event.key.toLowerCase();
      if (key === 'z' && !event.shiftKey) told(edited.undo());
      else if (key === 'y' || (key === 'z' && event.shiftKey)) told(edited.redo());
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [edited]);
}
