import {
  applyFigureCommand,
  keepingLocks,
  touchesOfFigureCommand,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import { CommandError, type Told } from '@bogen/core/lesson';
import { snapOfMove } from '../editing/draw/snapOfMove.js';
import type { FigureHost } from '../figure/scene/host.js';
import { EditedDocument } from '../saving/editedDocument.js';
import { motionOf } from '../saving/motion.js';
import { freshState } from '../saving/state.js';

export type EditedFigure = EditedDocument<FigureDocument, FigureCommand>;

/** A figure by itself, with its own undo. */
export const editedFigure = (initial: FigureDocument): EditedFigure =>
  new EditedDocument<FigureDocument, FigureCommand>({
    initial: freshState(initial),
    apply: applyFigureCommand,
    onStale: 'merge',
    touches: touchesOfFigureCommand,
  });

/**
 * A figure by itself, in which everything can be done.
 * @param keepPicture where pictures rest, if not on the server
 * @param refuse told why a change can't be done, where a locked joint forbids it, and `null` when one was done
 */
export function benchHost(
  edited: EditedFigure,
  refuse: (why: Told | null) => void,
  keepPicture?: FigureHost['keepPicture'],
): FigureHost {
  const now = (): FigureDocument => edited.store.getState().history.document;
  return {
    read: () => edited.store.getState().shown,
    subscribe: (listener) => edited.store.subscribe(listener),
    motion: () => motionOf(edited),
    preview: (command) => edited.preview(command && keepingLocks(now(), command)),
    do: (command) => {
      try {
        edited.do(keepingLocks(now(), command));
        refuse(null);
      } catch (error) {
        if (error instanceof CommandError) refuse(error.told);
        throw error;
      }
    },
    snap: snapOfMove,
    isFree: true,
    ...(keepPicture && { keepPicture }),
    may: () => true,
  };
}
