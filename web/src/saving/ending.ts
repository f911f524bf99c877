import type { FigureCommand, FigureDocument } from '@bogen/core/figure';
import type { Ending } from '../figure/scene/pipeline.js';
import type { EditedDocument } from './editedDocument.js';

/** A figure that is a document of its own, as it is edited. */
export type EditedFigure = EditedDocument<FigureDocument, FigureCommand>;

/** Where the commands on a figure end that is a document of its own. */
export function endingOf(edited: EditedFigure): Ending {
  const { store } = edited;
  return {
    now: () => store.getState().history.document,
    read: () => store.getState().shown,
    subscribe: (listener) => store.subscribe(listener),
    motion: () => {
      const { shown, history } = store.getState();
      return shown === history.document ? 'rest' : 'hand';
    },
    preview: (command) => edited.preview(command),
    do: (command) => edited.do(command),
  };
}
