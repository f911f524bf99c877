import { clampedUniformKnots } from '@bogen/core/curve';
import { applyFigureCommand, emptyFigure, type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { describe, expect, it } from 'vitest';
import { removal } from '../src/editing/items/removal.js';

const line = (id: string, attributes: object = {}): FigureItem => ({
  id,
  name: id,
  kind: 'curve',
  curve: {
    degree: 1,
    knots: clampedUniformKnots(2, 1),
    points: [
      [0, 0],
      [1, 1],
    ],
  },
  ...attributes,
});

const figure: FigureDocument = {
  ...emptyFigure(),
  items: [
    line('first'),
    line('second'),
    line('copy', { faint: true }),
    line('away', { hidden: true }),
    { id: 'peg', name: 'peg', kind: 'point', at: [0, 0] },
    line('last'),
  ],
  rail: { ...emptyFigure().rail, item: 'last' },
};

const railAfter = (...ids: string[]): string | null =>
  applyFigureCommand(figure, removal(figure, ids)).document.rail.item;

describe('deleting what is on the rail', () => {
  it('puts another curve there, which can be worked on', () => {
    expect(railAfter('last')).toBe('second');
    expect(railAfter('last', 'second')).toBe('first');
    expect(railAfter('last', 'second', 'first')).toBeNull();
  });

  it('and nothing else changes the rail', () => {
    expect(railAfter('first')).toBe('last');
    expect(removal(figure, ['first'])).toEqual({ name: 'removeItem', item: 'first' });
  });

  it('is undone as one step', () => {
    const { document, inverse } = applyFigureCommand(figure, removal(figure, ['last']));
    expect(applyFigureCommand(document, inverse).document).toEqual(figure);
  });
});
