import { evaluateFigure, type Evaluation, type FigureDocument } from '@bogen/core/figure';
import { evaluationOf } from '../geometry/geometry.js';
import { Store } from './store.js';

/** The document as it is to be seen now, and what its items came to. */
export class Drawn extends Store {
  private document_: FigureDocument;
  private evaluation_: Evaluation;

  constructor(document: FigureDocument, onChange: () => void) {
    super(onChange);
    this.document_ = document;
    this.evaluation_ = evaluationOf(document);
  }

  get document(): FigureDocument {
    return this.document_;
  }

  get evaluation(): Evaluation {
    return this.evaluation_;
  }

  /** Another document, of which only what changed is computed. */
  take(document: FigureDocument): void {
    if (document === this.document_) return;
    this.document_ = document;
    this.evaluation_ = evaluateFigure(document, this.evaluation_);
    this.changed();
  }
}
