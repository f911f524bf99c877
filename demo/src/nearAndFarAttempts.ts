import type { FigureCommand } from '@bogen/core/figure';
import { guesses, moves, type TaskAttempts } from './attempts.js';

const pull = (to: Readonly<Record<number, readonly [number, number]>>): FigureCommand[] => moves('waist', to);
const pullEditPoint = (index: number, to: readonly [number, number]): FigureCommand => ({
  name: 'moveEditPoint',
  item: 'waist',
  index,
  to,
});

const reach = (...spans: number[]) => ({ of: 'spans' as const, spans });
const at = (y: number) => ({ of: 'place' as const, at: [158.3, y] });

/** How the tasks of *Near and far* are done, and how they go wrong. */
export const nearAndFarAttempts: readonly TaskAttempts[] = [
  {
    sheet: 'near',
    task: 'task',
    right: [
      { commands: pull({ 4: [158, 41.8] }) },
      { commands: pull({ 4: [164, 41] }) },
      { commands: pull({ 5: [190, 36] }) },
    ],
    wrong: [
      {
        what: 'moves the points beside those that count',
        commands: pull({ 6: [214, 58], 3: [134, 48] }),
        unmet: [0, 1],
      },
      {
        what: 'gets there by three points, and so moves more spans than three',
        commands: pull({ 3: [128, 52], 4: [158, 44], 5: [190, 48] }),
        unmet: [1],
      },
      { what: 'puts the control point on the peg', commands: pull({ 4: [166, 46] }), unmet: [0] },
    ],
  },
  {
    sheet: 'far',
    task: 'task',
    right: [{ commands: [pullEditPoint(4, [158.333, 46.633])] }, { commands: [pullEditPoint(5, [166, 46])] }],
    wrong: [
      { what: 'uses a control point', commands: pull({ 4: [158, 40] }), unmet: [0, 1] },
      {
        what: 'gets there by control points, which take the edit points along',
        commands: pull({ 3: [128, 52], 4: [158, 44], 5: [190, 48] }),
        unmet: [1],
      },
      {
        what: 'moves a second edit point, to calm the swing',
        commands: [pullEditPoint(4, [166, 46]), pullEditPoint(3, [140, 60])],
        unmet: [1],
      },
    ],
  },
  {
    sheet: 'degree',
    task: 'task',
    right: [{ commands: pull({ 4: [158, 69.6] }) }, { commands: pull({ 4: [158, 62], 5: [190, 62] }) }],
    wrong: [
      { what: 'pulls the wrong way', commands: pull({ 4: [158, 40] }), unmet: [0] },
      { what: 'pulls too far', commands: pull({ 4: [158, 90] }), unmet: [0] },
      {
        what: 'moves points at both ends of the waist',
        commands: pull({ 6: [214, 58], 3: [134, 48] }),
        unmet: [0, 1],
      },
    ],
  },
  {
    sheet: 'guess',
    task: 'task',
    right: [],
    wrong: [
      { what: 'expects two spans', answer: guesses(reach(2, 3), at(72)), unmet: [0] },
      { what: 'expects all to move', answer: guesses(reach(0, 1, 2, 3, 4, 5, 6), at(74)), unmet: [0] },
      {
        what: 'takes the edit point along the whole way',
        answer: guesses(reach(1, 2, 3, 4), at(84)),
        unmet: [1],
      },
      { what: 'leaves the edit point where it was', answer: guesses(reach(1, 2, 3, 4), at(52)), unmet: [1] },
    ],
  },
  {
    sheet: 'crowd',
    task: 'task',
    right: [
      { commands: pull({ 3: [157.5, 50], 5: [158.5, 50] }) },
      { commands: pull({ 3: [158, 50.4], 5: [158.3, 50] }) },
    ],
    wrong: [
      { what: 'brings one of them', commands: pull({ 3: [158, 50] }), unmet: [0] },
      { what: 'stops too early', commands: pull({ 3: [154, 52], 5: [162, 50] }), unmet: [0] },
      {
        what: 'moves the middle too',
        commands: pull({ 3: [157.5, 52], 4: [158, 52], 5: [158.5, 52] }),
        unmet: [1],
      },
    ],
  },
];
