import { insertKnot, type Curve } from '@bogen/core/curve';
import type { FigureCommand } from '@bogen/core/figure';
import { chosen, guesses, moves, type TaskAttempts } from './attempts.js';
import { knotsOnTheRail } from './files.js';
import { curveOn } from './operated.js';

const smoothOutline = curveOn(knotsOnTheRail, 'insert', 'bout');
/** A knot comes in, as often as is said. */
const inserted = (curve: Curve, parameter: number, times: number): FigureCommand => ({
  name: 'operate',
  item: 'bout',
  operation: { name: 'insertKnot', source: 'bout', parameter, times },
  curve: insertKnot(curve, parameter, times),
});
const guessed = (points: number, spans: number[]) => ({
  kind: 'prediction' as const,
  guesses: [
    { of: 'count' as const, value: points },
    { of: 'spans' as const, spans },
  ],
});
const drawn = (...places: (readonly [number, number])[]) => guesses({ of: 'drawn', places });
const atHalf: FigureCommand = inserted(smoothOutline, 0.5, 2);

/** How the tasks of *Knots on the rail* are done, and how they go wrong. */
export const knotsOnTheRailAttempts: readonly TaskAttempts[] = [
  {
    sheet: 'lists',
    task: 'short',
    right: [],
    wrong: [
      {
        what: 'does not count',
        answer: chosen(0),
        unmet: [0],
        reasons: ['That has 10 + 3 + 1 = 14 values.'],
      },
      {
        what: 'takes the short list for a wrong one',
        answer: chosen(2),
        unmet: [0],
        reasons: ['Nothing is missing that the curve depends on.'],
      },
      { what: 'says nothing', unmet: [0], reasons: [] },
    ],
  },
  {
    sheet: 'unclamped',
    task: 'run',
    right: [],
    wrong: [
      {
        what: 'lets it hold on to its ends',
        answer: drawn(
          [60, 96],
          [82, 124],
          [104, 138],
          [152, 134],
          [196, 88],
          [246, 60],
          [300, 66],
          [326, 86],
          [348, 112],
        ),
        unmet: [0],
      },
      {
        what: 'lets go of the beginning only',
        answer: drawn([106, 140], [152, 134], [196, 88], [246, 60], [300, 66], [326, 86], [348, 112]),
        unmet: [0],
      },
      {
        what: 'draws the polygon',
        answer: drawn(...smoothOutline.points.map(([x, y]) => [x!, y!] as const)),
        unmet: [0],
      },
    ],
  },
  {
    sheet: 'insert',
    task: 'more',
    right: [
      {
        commands: [inserted(smoothOutline, 0.1, 1), inserted(insertKnot(smoothOutline, 0.1), 0.9, 1)],
      },
    ],
    wrong: [
      { what: 'repeats a knot, which gives no span', commands: [atHalf], unmet: [0] },
      {
        what: 'inserts one too many',
        commands: [
          inserted(smoothOutline, 0.1, 1),
          inserted(insertKnot(smoothOutline, 0.1), 0.4, 1),
          inserted(insertKnot(insertKnot(smoothOutline, 0.1), 0.4), 0.9, 1),
        ],
        unmet: [1],
      },
      {
        what: 'tidies the points after it',
        commands: [
          inserted(smoothOutline, 0.4, 1),
          inserted(insertKnot(smoothOutline, 0.4), 0.6, 1),
          ...moves('bout', { 4: [206, 76] }),
        ],
        unmet: [2],
      },
    ],
  },
  {
    sheet: 'remove',
    task: 'less',
    right: [],
    wrong: [
      { what: 'expects nothing to move, as when one came in', answer: guessed(6, []), unmet: [1] },
      { what: 'keeps the points', answer: guessed(7, [1, 2]), unmet: [0, 1] },
      { what: 'expects only the spans at the knot to move', answer: guessed(6, [1, 2]), unmet: [1] },
    ],
  },
  {
    sheet: 'corner',
    task: 'turn',
    right: [{ commands: [atHalf, ...moves('bout', { 3: [170, 150] })] }],
    wrong: [
      { what: 'has the place for a corner, and no corner', commands: [atHalf], unmet: [1] },
      {
        what: 'repeats once only',
        commands: [inserted(smoothOutline, 0.5, 1), ...moves('bout', { 4: [220, 30] })],
        unmet: [0, 1],
      },
      { what: 'pulls points to a sharp bend', commands: moves('bout', { 3: [196, 30] }), unmet: [0, 1] },
    ],
  },
  {
    sheet: 'exactly',
    task: 'joint',
    right: [{ commands: moves('bout', { 5: [200, 65] }) }, { commands: moves('bout', { 3: [160, 80] }) }],
    wrong: [
      { what: 'makes the legs equal', commands: moves('bout', { 5: [210, 50] }), unmet: [1] },
      { what: 'lines up by eye', commands: moves('bout', { 5: [229, 23] }), unmet: [0] },
      { what: 'folds it back', commands: moves('bout', { 5: [150, 140] }), unmet: [0] },
    ],
  },
];
