import type { Curve } from '../../src/curve/curve.js';
import { emptyFigure } from '../../src/figure/document/document.js';
import type { FigureItem } from '../../src/figure/document/item.js';
import { evaluateFigure } from '../../src/figure/evaluation/evaluate.js';
import type { OutgoingFigure } from '../../src/format/define.js';

/** A figure of items on its way out. */
export function outgoing(...items: FigureItem[]): OutgoingFigure {
  const document = { ...emptyFigure(), items };
  return { document, evaluation: evaluateFigure(document) };
}

export const curveItem = (curve: Curve, name = 'Curve', id = 'c1'): FigureItem => ({
  id,
  name,
  kind: 'curve',
  curve,
});

/** The curves of what came in, in their order. */
export const curvesIn = (items: readonly FigureItem[]): Curve[] =>
  items.flatMap((item) => (item.kind === 'curve' ? [item.curve] : []));
