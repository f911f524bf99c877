import { periodicCurve } from '@bogen/core/curve';
import { allLoose, curveItem, figureOf, type Start } from './define.js';

const half = [
  [100, 95],
  [135, 88],
  [160, 55],
  [140, 18],
];
const points = [
  ...half,
  [100, 10],
  ...half
    .slice(1)
    .toReversed()
    .map(([x, y]) => [200 - x!, y!]),
];

/** A closed section that is to be its own mirror image. */
export const closedSection = (): Start => ({
  figure: figureOf([curveItem('section', 'Section', periodicCurve(3, points))], {
    loose: { section: { controlPoints: allLoose(8), editPoints: [] } },
    readersMay: [{ kind: 'looks', keys: ['comb'] }],
  }),
  steps: [[{ name: 'moveControlPoint', item: 'section', index: 1, to: [150, 95] }]],
  live: {
    area: { of: 'fact', item: 'section', fact: 'area' },
    closed: { of: 'fact', item: 'section', fact: 'closedness' },
  },
  asks: {
    stage: 1,
    solution: 0,
    conditions: [
      { kind: 'symmetricAbout', item: 'section', from: [100, 0], to: [100, 100], tolerance: 0.5 },
      { kind: 'closed', item: 'section' },
    ],
  },
});
