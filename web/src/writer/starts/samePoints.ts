import type { FigureItem } from '@bogen/core/figure';
import { figureOf, placeItem, type Start } from './define.js';

const places = [
  [0, 20],
  [40, 85],
  [80, 60],
  [120, 90],
  [160, 40],
  [200, 60],
];
const ids = places.map((_, index) => `r${index}`);

/** Six reference points twice: as control points, and as points to pass through. */
export function samePoints(): Start {
  const points = places.map((at, index) => placeItem(ids[index]!, String.fromCharCode(65 + index), at));
  const on: FigureItem = {
    id: 'on',
    name: 'On the points',
    kind: 'built',
    operation: { name: 'curveOnReferencePoints', points: ids, degree: 3, closed: false },
  };
  const through: FigureItem = {
    id: 'through',
    name: 'Through the points',
    kind: 'built',
    color: 'coral',
    operation: {
      name: 'curveThroughReferencePoints',
      points: ids,
      degree: 3,
      parametrisation: 'chord',
      closed: false,
    },
  };
  return {
    figure: figureOf([...points, on], {
      readersMay: ids.map((item) => ({ kind: 'anchors', item })),
    }),
    steps: [[{ name: 'addItem', item: through, at: points.length + 1 }]],
    live: {
      on: { of: 'fact', item: 'on', fact: 'length' },
      through: { of: 'fact', item: 'through', fact: 'length' },
    },
    asks: {
      stage: 1,
      conditions: [
        { kind: 'nearCurve', item: 'through', target: 'on', tolerance: 3 },
        { kind: 'lengthBetween', item: 'through', least: 150, most: 1000 },
      ],
    },
  };
}
