import type { FigureCommand } from '@bogen/core/figure';
import { chosen, moves, pegMoves, type TaskAttempts } from './attempts.js';
import { twoCurves } from './files.js';
import { itemOn } from './operated.js';

const degree = (to: number) => ({ name: 'setDegree' as const, item: 'lath', degree: to });
function ofDegree(degree: number): FigureCommand {
  const lath = itemOn(twoCurves, 'few', 'lath');
  if (lath.kind !== 'built' || lath.operation.name !== 'curveOnReferencePoints')
    throw new Error('There is no lath on the pegs.');
  return { name: 'setOperation', item: 'lath', operation: { ...lath.operation, degree } };
}
const spans = (...of: number[]) => ({ of: 'spans' as const, spans: of });

/** How the tasks of *Two curves, six pegs* are done, and how they go wrong. */
export const twoCurvesAttempts: readonly TaskAttempts[] = [
  {
    sheet: 'pegs',
    task: 'which',
    right: [],
    wrong: [
      {
        what: 'takes the pulled lath for the laid one',
        answer: chosen(0, 1, 2),
        unmet: [0],
        reasons: ['It only leans towards it. The ochre lath passes through.'],
      },
      {
        what: 'has seen the laid lath swing out',
        answer: chosen(0, 2, 3),
        unmet: [0],
        reasons: ['The laid lath can. A pulled one stays within a string around all pegs.'],
      },
      { what: 'has forgotten the direction', answer: chosen(0), unmet: [0], reasons: [] },
    ],
  },
  {
    sheet: 'degree',
    task: 'two',
    right: [
      { commands: [degree(4), ...moves('lath', { 2: [172, 162], 3: [244, 92] })] },
      { commands: [...moves('lath', { 1: [100, 118], 2: [178, 180] }), degree(4)] },
    ],
    wrong: [
      { what: 'stops at the usual degree', commands: [degree(3)], unmet: [0, 2] },
      { what: 'takes the highest degree', commands: [degree(5)], unmet: [1, 2] },
      { what: 'sets the degree, and leaves the lath away from the peg', commands: [degree(4)], unmet: [2] },
    ],
  },
  {
    sheet: 'few',
    task: 'appear',
    right: [],
    wrong: [
      { what: 'lowers it by one, which is not enough', commands: [ofDegree(4)], unmet: [0] },
      { what: 'goes lower than it has to', commands: [ofDegree(2)], unmet: [0] },
      { what: 'makes it straight', commands: [ofDegree(1)], unmet: [0] },
    ],
  },
  {
    sheet: 'pull',
    task: 'spans',
    right: [],
    wrong: [
      {
        what: 'expects both to be local',
        answer: { kind: 'prediction', guesses: [spans(0, 1), spans(0, 1)] },
        unmet: [1],
      },
      {
        what: 'expects everything to move',
        answer: { kind: 'prediction', guesses: [spans(0, 1, 2, 3), spans(0, 1, 2, 3)] },
        unmet: [0],
      },
      {
        what: 'counts one span too few',
        answer: { kind: 'prediction', guesses: [spans(0), spans(0, 1, 2)] },
        unmet: [0, 1],
      },
    ],
  },
  {
    sheet: 'inside',
    task: 'straight',
    right: [
      { commands: pegMoves({ peg2: [100, 100], peg3: [170, 100], peg4: [240, 100], peg5: [310, 100] }) },
    ],
    wrong: [
      {
        what: 'lines up three pegs of four',
        commands: pegMoves({ peg2: [100, 100], peg3: [170, 100], peg4: [240, 100] }),
        unmet: [0],
      },
      {
        what: 'lines up by eye',
        commands: pegMoves({ peg2: [110, 118], peg3: [170, 84], peg4: [230, 78], peg5: [290, 42] }),
        unmet: [0],
      },
      {
        what: 'straightens the whole lath',
        commands: pegMoves({ peg2: [108, 59.2], peg3: [176, 68.4], peg4: [244, 77.6], peg5: [312, 86.8] }),
        unmet: [1],
      },
    ],
  },
  {
    sheet: 'ends',
    task: 'count',
    right: [],
    wrong: [
      {
        what: 'counts the points',
        answer: chosen(0),
        unmet: [0],
        reasons: ['So many points it has. Each point needs knots for its hump: there are more.'],
      },
      {
        what: 'counts the shorter list',
        answer: chosen(1),
        unmet: [0],
        reasons: ['That is the shorter list, without the first and the last value.'],
      },
      {
        what: 'counts the values',
        answer: chosen(3),
        unmet: [0],
        reasons: ['So many different values there are. Repeats count.'],
      },
    ],
  },
  {
    sheet: 'through',
    task: 'all',
    right: [
      {
        commands: moves('lath', { 1: [58.3, 103.1], 2: [176.8, 177.8], 3: [238.5, 34.3], 4: [343.7, 37.6] }),
      },
    ],
    wrong: [
      {
        what: 'puts the points on the pegs, where they were',
        commands: moves('lath', { 2: [170, 132] }),
        unmet: [0, 1, 2, 3],
      },
      {
        what: 'has done the first two, and undone the first by the second',
        commands: moves('lath', { 1: [70.1, 116.4], 2: [181.5, 166.1] }),
        unmet: [1, 2, 3],
      },
      {
        what: 'goes round once only',
        commands: moves('lath', { 1: [71, 118], 2: [180, 163], 3: [232, 52], 4: [331, 32] }),
        unmet: [1, 2, 3],
      },
    ],
  },
];
