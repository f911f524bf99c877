import { matchCurve, type JointContinuity } from '@bogen/core/curve';
import type { FigureCommand } from '@bogen/core/figure';
import { chosen, guesses, moves, number, type TaskAttempts } from './attempts.js';
import { takenApart } from './files.js';
import { curveOn, itemOn } from './operated.js';

const bout = curveOn(takenApart, 'match', 'bout');
const waist = curveOn(takenApart, 'match', 'waist');
/** The waist is brought to an order with the bout. */
const match = (continuity: JointContinuity): FigureCommand => ({
  name: 'operate',
  item: 'waist',
  operation: {
    name: 'match',
    source: 'waist',
    second: 'bout',
    continuity,
    curveEnd: 'start',
    targetEnd: 'end',
    movement: 'sameHandle',
  },
  curve: matchCurve(waist, bout, continuity, 'start', 'end', 'sameHandle').curve,
});
type Order = 'G0' | 'G1' | 'G2' | 'G3';
/** The bridge over the gap, with an order and a strength for both ends. */
function bridged(continuity: Order, secondContinuity: Order, strength: number): FigureCommand {
  const bridge = itemOn(takenApart, 'gap', 'bridge');
  if (bridge.kind !== 'built' || bridge.operation.name !== 'bridge') throw new Error('There is no bridge.');
  const operation = { ...bridge.operation, continuity, secondContinuity, strength, secondStrength: strength };
  return { name: 'setOperation', item: 'bridge', operation };
}
const kept = (g1: boolean, c1: boolean) => [
  { of: 'joint' as const, holds: g1 },
  { of: 'joint' as const, holds: c1 },
];
const peaks = (value: number) => ({ of: 'count' as const, value });

/** How the tasks of *Taking the outline apart* are done, and how they go wrong. */
export const takenApartAttempts: readonly TaskAttempts[] = [
  {
    sheet: 'pieces',
    task: 'line',
    right: [],
    wrong: [
      {
        what: 'takes one line for straight',
        answer: chosen(1),
        unmet: [0],
        reasons: ['Its tangent is that line, its curvature is not zero: see the track.'],
      },
      {
        what: 'takes what happens to be so for what has to be',
        answer: chosen(0, 2),
        unmet: [0],
        reasons: [
          'Here it is, as both spans are equally long in the parameter. For the tangent any ratio does.',
        ],
      },
      {
        what: 'takes them for needless',
        answer: chosen(3),
        unmet: [0],
        reasons: ['Without them both pieces have another shape.'],
      },
    ],
  },
  {
    sheet: 'halves',
    task: 'middle',
    right: [],
    wrong: [
      { what: 'takes the average of all four', answer: number(110), unmet: [0] },
      { what: 'stops a round early', answer: number(125), unmet: [0] },
      { what: 'takes the middle of the inner two', answer: number(150), unmet: [0] },
    ],
  },
  {
    sheet: 'boor',
    task: 'which',
    right: [],
    wrong: [
      {
        what: 'takes the first four',
        answer: chosen(1),
        unmet: [0],
        reasons: ['Those act on the first span, which ends at 0.25.'],
      },
      {
        what: 'takes the nearest',
        answer: chosen(2),
        unmet: [0],
        reasons: ['At degree 3 it takes four: all that have a hump there.'],
      },
      {
        what: 'takes all',
        answer: chosen(3),
        unmet: [0],
        reasons: ['That is how one Bézier piece of degree 6 would do it. Here most humps are zero at 0.3.'],
      },
    ],
  },
  {
    sheet: 'opens',
    task: 'joint',
    right: [
      { commands: moves('waist', { 0: [190, 126], 1: [214, 108] }) },
      { commands: moves('waist', { 1: [238, 90], 0: [190, 126] }) },
    ],
    wrong: [
      {
        what: 'closes it, and leaves the corner',
        commands: moves('waist', { 0: [190, 126] }),
        unmet: [1],
      },
      {
        what: 'closes it by eye',
        commands: moves('waist', { 0: [190, 127], 1: [230, 96] }),
        unmet: [0, 1],
      },
      {
        what: 'goes on too flat',
        commands: moves('waist', { 0: [190, 126], 1: [230, 100] }),
        unmet: [1],
      },
    ],
  },
  {
    sheet: 'speed',
    task: 'keeps',
    right: [],
    wrong: [
      {
        what: 'takes C for the shape',
        answer: guesses(...kept(true, true), peaks(2)),
        unmet: [1],
      },
      {
        what: 'expects a corner',
        answer: guesses(...kept(false, false), peaks(2)),
        unmet: [0],
      },
      { what: 'expects another comb', answer: guesses(...kept(true, false), peaks(9)), unmet: [2] },
    ],
  },
  {
    sheet: 'match',
    task: 'g2',
    right: [{ commands: [match('G2')] }, { commands: [match('C2')] }],
    wrong: [
      { what: 'turns the leg, and stops', commands: [match('G1')], unmet: [0] },
      { what: 'takes C1 for more than G2', commands: [match('C1')], unmet: [0] },
      {
        what: 'goes up order by order',
        commands: [match('G1'), match('G2')],
        unmet: [1],
      },
    ],
  },
  {
    sheet: 'gap',
    task: 'bridged',
    right: [{ commands: [bridged('G3', 'G3', 1)] }, { commands: [bridged('G2', 'G2', 1.2)] }],
    wrong: [
      { what: 'leaves the strengths as they were', commands: [bridged('G2', 'G2', 0.4)], unmet: [2] },
      { what: 'stops at the tangents', commands: [bridged('G1', 'G1', 1.2)], unmet: [0, 1] },
      { what: 'forgets the other end', commands: [bridged('G2', 'G1', 1.2)], unmet: [1] },
      { what: 'makes it strong', commands: [bridged('G2', 'G2', 1.6)], unmet: [2] },
    ],
  },
];
