import { evenOut } from '@bogen/core/curve';
import type { FigureCommand } from '@bogen/core/figure';
import { chosen, guesses, moves, type TaskAttempts } from './attempts.js';
import { section } from './files.js';
import { curveOn, given, itemOn, operated } from './operated.js';

const stretched = curveOn(section, 'even', 'section');
/** The whole section made symmetric about its axis, with one side kept. */
const mirrorSection = (keep: 'before' | 'after', smooth = true): FigureCommand =>
  operated([itemOn(section, 'keep', 'section')], 'section', {
    name: 'symmetric',
    source: 'section',
    axis: [
      [0, 0],
      [0, 1],
    ],
    keep,
    smooth,
  });
/** A half is raised in its place. */
const raisedOn = (item: 'half' | 'whole'): FigureCommand =>
  operated([itemOn(section, 'follows', 'half'), itemOn(section, 'follows', 'whole')], item, {
    name: 'raiseDegree',
    source: item,
    times: 1,
  });
/** The section closed in a way, its last point put elsewhere before. */
function closed(way: 'pull' | 'bridge' | 'wrap', last?: readonly [number, number]): FigureCommand {
  const curve = curveOn(section, 'closing', 'section');
  const points = last ? [...curve.points.slice(0, -1), last] : curve.points;
  return operated([given('section', { ...curve, points })], 'section', {
    name: 'close',
    source: 'section',
    way,
    continuity: 1,
  });
}
const evened = (perSpan: number): FigureCommand => ({
  name: 'operate',
  item: 'section',
  operation: { name: 'evenOut', source: 'section', held: [], perSpan },
  curve: evenOut(stretched, [], perSpan).curve,
});
const drawn = (...places: (readonly [number, number])[]) => guesses({ of: 'drawn', places });

/** How the tasks of *The section* are done, and how they go wrong. */
export const sectionAttempts: readonly TaskAttempts[] = [
  {
    sheet: 'mirror',
    task: 'leg',
    right: [],
    wrong: [
      {
        what: 'lets it run along the axis',
        answer: chosen(1),
        unmet: [0],
        reasons: ['Then both halves leave in the same direction: a spike.'],
      },
      {
        what: 'leans it',
        answer: chosen(2),
        unmet: [0],
        reasons: ['Its image leans the other way: a corner.'],
      },
      {
        what: 'trusts the mirror',
        answer: chosen(3),
        unmet: [0],
        reasons: ['Pull the point down, and look.'],
      },
    ],
  },
  {
    sheet: 'keep',
    task: 'keep',
    right: [{ commands: [mirrorSection('after', false)] }],
    wrong: [
      { what: 'keeps the side that comes first', commands: [mirrorSection('before')], unmet: [1] },
      {
        what: 'keeps it, with whatever corner there is',
        commands: [mirrorSection('before', false)],
        unmet: [1],
      },
      { what: 'changes nothing', commands: [], unmet: [0, 1] },
    ],
  },
  {
    sheet: 'follows',
    task: 'both',
    right: [{ commands: [raisedOn('half'), ...moves('half', { 2: [21.5, -28.3] })] }],
    wrong: [
      {
        what: 'cuts the link, and then pulls',
        commands: [raisedOn('whole'), ...moves('half', { 2: [22, -28] })],
        unmet: [3],
      },
      {
        what: 'raises both, one by one',
        commands: [raisedOn('whole'), raisedOn('half'), ...moves('half', { 2: [22, -28] })],
        unmet: [1, 3],
      },
      { what: 'pulls without raising', commands: moves('half', { 2: [22, -28] }), unmet: [0] },
    ],
  },
  {
    sheet: 'uniform',
    task: 'overshoot',
    right: [],
    wrong: [
      {
        what: 'expects it to stay',
        answer: drawn([-24, 0], [-23, -4], [-14, -19], [0, -27], [3, -27], [16, -19], [23, -4], [24, 0]),
        unmet: [0],
      },
      {
        what: 'expects it to go straight',
        answer: drawn([-24, 0], [-23, -4], [0, -27], [3, -27], [23, -4], [24, 0]),
        unmet: [0],
      },
      { what: 'draws a half of it', answer: drawn([-24, 0], [-23, -4], [-20, -24], [0, -27]), unmet: [0] },
    ],
  },
  {
    sheet: 'closing',
    task: 'closed',
    right: [
      { commands: [closed('wrap')] },
      { commands: [...moves('section', { 7: [-19, 1] }), closed('wrap', [-19, 1])] },
    ],
    wrong: [
      { what: 'snaps the ends together', commands: moves('section', { 7: [-19, 1] }), unmet: [0, 1] },
      { what: 'pulls them together', commands: [closed('pull')], unmet: [0, 1] },
      { what: 'bridges the gap by tangents alone', commands: [closed('bridge')], unmet: [0, 1] },
    ],
  },
  {
    sheet: 'even',
    task: 'even',
    right: [{ commands: [evened(2)] }, { commands: [evened(3)] }],
    wrong: [
      { what: 'takes the first that comes', commands: [evened(1)], unmet: [0, 1] },
      { what: 'spends points', commands: [evened(6)], unmet: [2] },
      { what: 'spends many', commands: [evened(12)], unmet: [2] },
    ],
  },
  {
    sheet: 'trace',
    task: 'trace',
    right: [{ commands: moves('half', { 1: [14, -26], 2: [26.8, -19.8] }) }],
    wrong: [
      {
        what: 'puts the points onto the line',
        commands: moves('half', { 1: [14, -25], 2: [23, -17] }),
        unmet: [0, 1],
      },
      {
        what: 'fits the flank, and leaves a corner at the axis',
        commands: moves('half', { 1: [14.5, -26.2], 2: [26.5, -19.5] }),
        unmet: [1],
      },
      { what: 'stops by eye', commands: moves('half', { 1: [13, -26], 2: [25, -18] }), unmet: [0] },
    ],
  },
];
