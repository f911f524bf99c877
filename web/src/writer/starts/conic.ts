import type { FigureItem } from '@bogen/core/figure';
import { figureOf, type Start } from './define.js';

const shape = {
  kind: 'conic',
  start: [20, 20],
  end: [180, 20],
  held: 'tangentIntersection',
  place: [100, 100],
} as const;

/** A conic from two ends and a tangent intersection, by rho: ellipse, parabola, hyperbola. */
export function conic(): Start {
  const item: FigureItem = { id: 'arch', name: 'Arch', kind: 'shape', shape: { ...shape, rho: 0.35 } };
  const withRho = (rho: number) => [{ name: 'setShape', item: 'arch', shape: { ...shape, rho } } as const];
  return {
    figure: figureOf([item], {
      readersMay: [
        { kind: 'values', item: 'arch' },
        { kind: 'anchors', item: 'arch' },
      ],
    }),
    steps: [withRho(0.5), withRho(0.7)],
    live: { conic: { of: 'fact', item: 'arch', fact: 'conic' } },
    asks: {
      stage: 0,
      solution: 1,
      conditions: [{ kind: 'conicIs', item: 'arch', conic: 'parabola' }],
    },
  };
}
