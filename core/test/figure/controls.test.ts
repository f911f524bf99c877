import { describe, expect, it } from 'vitest';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import {
  controlCommand,
  controlRange,
  controls,
  offeredControls,
  type Control,
  type ControlKind,
} from '../../src/figure/control/controls.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import { evaluateFigure } from '../../src/figure/evaluation/evaluate.js';

const points = [
  [0, 0],
  [10, 20],
  [25, 22],
  [40, -4],
  [60, 0],
  [70, 10],
];
const document: FigureDocument = {
  ...emptyFigure(),
  items: [
    {
      id: 'a',
      name: 'A',
      kind: 'curve',
      curve: { degree: 3, knots: clampedUniformKnots(6, 3), points, weights: [1, 1, 3, 1, 1, 1] },
    },
    {
      id: 's',
      name: 'S',
      kind: 'shape',
      shape: {
        kind: 'conic',
        start: [0, 0],
        end: [10, 0],
        held: 'tangentIntersection',
        place: [5, 8],
        rho: 0.4,
      },
    },
    { id: 'p', name: 'P', kind: 'point', at: [1, 1] },
  ],
};
const of = (figure: FigureDocument) => ({
  document: figure,
  evaluation: evaluateFigure(figure),
  cursor: 0.3,
});

/** One of each kind with where it stands; a new kind does not compile without its own. */
const cases: { readonly [Kind in ControlKind]: readonly [Extract<Control, { of: Kind }>, number] } = {
  cursor: [{ of: 'cursor', item: 'a' }, 0.3],
  knot: [{ of: 'knot', item: 'a', index: 1 }, 2 / 3],
  weight: [{ of: 'weight', item: 'a', index: 2, least: 0.1, most: 10 }, 3],
  rho: [{ of: 'rho', item: 's' }, 0.4],
  degree: [{ of: 'degree', item: 'a', least: 1, most: 9 }, 3],
  apart: [{ of: 'apart', item: 'a' }, 0],
};

describe('every control', () => {
  it.each(Object.keys(controls) as ControlKind[])(
    '%s sets what it stands at, over its whole range',
    (kind) => {
      const [control, value] = cases[kind];
      const range = controlRange(control, of(document))!;
      expect(range.value).toBeCloseTo(value, 12);
      expect(range.least).toBeLessThan(range.most);
      for (const share of [0, 0.3, 0.7, 1]) {
        const exact = range.least + share * (range.most - range.least);
        const to = range.isWhole ? Math.round(exact) : exact;
        const command = controlCommand(control, to, of(document));
        if (kind === 'cursor' || kind === 'apart') {
          expect(command).toBeUndefined();
          continue;
        }
        const changed = applyFigureCommand(document, command!).document;
        expect(controlRange(control, of(changed))!.value).toBeCloseTo(to, 12);
      }
      // It is offered where it can be set, and is none where what it sets is gone.
      const item = document.items.find(({ id }) => id === control.item)!;
      expect(offeredControls(item, of(document)).map((one) => one.of)).toContain(kind);
      expect(controlRange(control, of({ ...document, items: [] }))).toBeUndefined();
      expect(controlRange({ ...control, item: 'p' }, of(document))).toBeUndefined();
    },
  );

  it('a degree is never more than the points allow', () => {
    const range = controlRange(cases.degree[0], of(document))!;
    expect([range.least, range.most, range.isWhole]).toEqual([1, 5, true]);
  });

  it('a knot stays between its neighbours, so that it is never one with them', () => {
    const { least, most } = controlRange(cases.knot[0], of(document))!;
    expect(least).toBeGreaterThan(1 / 3);
    expect(most).toBeLessThan(1);
  });
});
