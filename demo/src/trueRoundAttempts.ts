import type { FigureCommand } from '@bogen/core/figure';
import { chosen, number, type TaskAttempts } from './attempts.js';
import { trueRound } from './files.js';
import { curveOn } from './operated.js';

/** The weight of a corner. */
const cornerWeight = Math.SQRT1_2;
const { knots } = curveOn(trueRound, 'lists', 'hole');
/** The six knots inside, each to its place in a pair. */
const knotsInPairs: readonly FigureCommand[] = [0.25, 0.25, 0.5, 0.5, 0.75, 0.75].map((to, k) => ({
  name: 'moveKnot',
  item: 'hole',
  knot: knots[3 + k]!,
  to,
}));
const cornersWeighed = (weight: number): FigureCommand[] =>
  [1, 3, 5, 7].map((index) => ({ name: 'setWeight', item: 'hole', index, weight }));
const weight = (to: number): FigureCommand => ({ name: 'setWeight', item: 'hole', index: 1, weight: to });
const guessed = (spans: number[], atHalf: boolean, atQuarter: boolean) => ({
  kind: 'prediction' as const,
  guesses: [
    { of: 'spans' as const, spans },
    { of: 'joint' as const, holds: atHalf },
    { of: 'joint' as const, holds: atQuarter },
  ],
});
const points = (count: number, degree = 3): FigureCommand => ({
  name: 'setShape',
  item: 'hole',
  shape: { kind: 'circle', centre: [0, 0], radius: 5, layout: { approximation: 'periodic', degree, count } },
});

/** How the tasks of *A true round* are done, and how they go wrong. */
export const trueRoundAttempts: readonly TaskAttempts[] = [
  {
    sheet: 'three',
    task: 'why',
    right: [],
    wrong: [
      {
        what: 'takes a repeat for more smoothness',
        answer: chosen(1),
        unmet: [0],
        reasons: ['Each repeat takes one derivative away, not adds one.'],
      },
      {
        what: 'mixes up knots and weights',
        answer: chosen(2),
        unmet: [0],
        reasons: ['The weights do, and they were there before.'],
      },
      {
        what: 'thinks of the ends',
        answer: chosen(0, 3),
        unmet: [0],
        reasons: ['It ended at its first point before, too.'],
      },
    ],
  },
  {
    sheet: 'weight',
    task: 'quarter',
    right: [{ commands: [weight(0.70711)] }],
    wrong: [
      { what: 'halves the weight', commands: [weight(0.5)], unmet: [0] },
      { what: 'stops by eye', commands: [weight(0.74)], unmet: [0] },
      { what: 'takes the square root for the weight', commands: [weight(Math.SQRT2)], unmet: [0] },
    ],
  },
  {
    sheet: 'lists',
    task: 'round',
    right: [
      {
        commands: [
          // From the last one on, since none may pass its neighbour.
          ...[0.8, 0.8, 0.6, 0.6, 0.2, 0.2].map((to, k): FigureCommand => ({
            ...(knotsInPairs[5 - k] as FigureCommand & { name: 'moveKnot' }),
            to,
          })),
          ...cornersWeighed(cornerWeight),
        ],
      },
    ],
    wrong: [
      {
        what: 'sets the weights, and does not look at the knots',
        commands: cornersWeighed(cornerWeight),
        unmet: [0],
      },
      { what: 'sets the knots, and leaves the weights', commands: knotsInPairs, unmet: [0] },
      {
        what: 'forgets a corner',
        commands: [...cornersWeighed(cornerWeight).slice(0, 3), ...knotsInPairs],
        unmet: [0],
      },
    ],
  },
  {
    sheet: 'disturb',
    task: 'what',
    right: [],
    wrong: [
      { what: 'expects all of it to move', answer: guessed([0, 1, 2, 3], true, true), unmet: [0] },
      { what: 'expects the first arc alone to move', answer: guessed([0], true, true), unmet: [0] },
      { what: 'expects a corner at the other pair', answer: guessed([0, 1], false, true), unmet: [1] },
    ],
  },
  {
    sheet: 'looks',
    task: 'off',
    right: [],
    wrong: [
      { what: 'trusts the eye', answer: number(0), unmet: [0] },
      { what: 'reads the share for millimetres', answer: number(0.00014), unmet: [0] },
      { what: 'slips by a digit', answer: number(0.007), unmet: [0] },
    ],
  },
  {
    sheet: 'fewest',
    task: 'few',
    right: [],
    wrong: [
      { what: 'stops too early', commands: [points(6)], unmet: [0] },
      { what: 'makes it round with points enough', commands: [points(12)], unmet: [1] },
      { what: 'raises the degree', commands: [points(7, 5)], unmet: [2] },
      {
        what: 'takes an exact layout, which has weights',
        commands: [
          {
            name: 'setShape',
            item: 'hole',
            shape: { kind: 'circle', centre: [0, 0], radius: 5, layout: 'cubic7' },
          },
        ],
        unmet: [3],
      },
    ],
  },
];
