import {
  applyFigureCommand,
  touchesOfFigureCommand,
  type FigureCommand,
  type FigureDocument,
} from '@bogen/core/figure';
import { EditedDocument } from './editedDocument.js';
import type { EditedFigure } from './ending.js';
import { freshState } from './state.js';

/** A figure by itself, with its own undo, that is kept nowhere. */
export const editedFigure = (initial: FigureDocument): EditedFigure =>
  new EditedDocument<FigureDocument, FigureCommand>({
    initial: freshState(initial),
    apply: applyFigureCommand,
    onStale: 'merge',
    touches: touchesOfFigureCommand,
  });
