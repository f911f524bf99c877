import type { Point } from '@bogen/core/curve';
import type { FigureCommand, ShapeOf } from '@bogen/core/figure';
import { chosen, guesses, number, type TaskAttempts } from './attempts.js';
import { archOfBridge } from './files.js';
import { itemOn } from './operated.js';

/** The arch as a sheet gives it, with what is set anew. */
function archOn(sheet: string, set: Partial<ShapeOf<'conic'>>): FigureCommand {
  const arch = itemOn(archOfBridge, sheet, 'arch');
  if (arch.kind !== 'shape' || arch.shape.kind !== 'conic') throw new Error(`There is no conic on ${sheet}.`);
  return { name: 'setShape', item: 'arch', shape: { ...arch.shape, ...set } };
}
const flankRho = 0.62;
const roundRho = Math.SQRT2 - 1;
const topShoulder: Point = [-2, 33];
const topRho = 0.42;
const edge = (rho: number, place: Point) => archOn('strings', { rho, place });

const meets = (x: number, y: number) => ({ of: 'place' as const, at: [x, y] });
/** The arch as it was before, and with its flanks drawn in. */
const drawn = (...places: (readonly [number, number])[]) => ({ of: 'drawn' as const, places });
const before = drawn(
  [-24, 0],
  [-20.5, 7.5],
  [-14, 13.6],
  [-7, 17],
  [0, 18],
  [7, 17],
  [14, 13.6],
  [20.5, 7.5],
  [24, 0],
);
const after = drawn(
  [-24, 0],
  [-14, 9.4],
  [-7.5, 15],
  [-4, 17.2],
  [0, 18],
  [4, 17.2],
  [7.5, 15],
  [14, 9.4],
  [24, 0],
);
const round = (rho: number, place: Point = [0, 24]) => archOn('circular', { rho, place });

/** How the tasks of *The arch of the bridge* are done, and how they go wrong. */
export const archOfBridgeAttempts: readonly TaskAttempts[] = [
  {
    sheet: 'rho',
    task: 'limit',
    right: [],
    wrong: [
      {
        what: 'takes the wrong end',
        answer: chosen(1),
        unmet: [0],
        reasons: ['That is where it goes as rho comes near 0.'],
      },
      {
        what: 'thinks of a circle',
        answer: chosen(2),
        unmet: [0],
        reasons: ['A circle is an ellipse: rho lies below one half.'],
      },
      {
        what: 'expects it to leave its hull',
        answer: chosen(3),
        unmet: [0],
        reasons: ['The weights are positive, so that it stays inside its hull.'],
      },
    ],
  },
  {
    sheet: 'held',
    task: 'where',
    right: [],
    wrong: [
      { what: 'expects the tangents to stay', answer: guesses(meets(0, 45), after), unmet: [0] },
      { what: 'expects them to meet higher', answer: guesses(meets(0, 60), before), unmet: [0, 1] },
      { what: 'expects the arch to stay', answer: guesses(meets(0, 24), before), unmet: [1] },
    ],
  },
  {
    sheet: 'through',
    task: 'rho',
    right: [{ commands: [archOn('through', { rho: flankRho + 0.003 })] }],
    wrong: [
      { what: 'takes the parabola', commands: [archOn('through', { rho: 0.5 })], unmet: [0] },
      { what: 'stops too early', commands: [archOn('through', { rho: 0.6 })], unmet: [0] },
      {
        what: 'moves the tangents instead',
        commands: [archOn('through', { rho: 0.5, place: [0, 44.64] })],
        unmet: [0, 2],
      },
    ],
  },
  {
    sheet: 'weight',
    task: 'weight',
    right: [{ commands: [archOn('weight', { rho: 0.5 })], answer: number(1) }],
    wrong: [
      { what: 'takes rho for the weight', answer: number(0.6), unmet: [0] },
      { what: 'divides the other way', answer: number(0.667), unmet: [0] },
      { what: 'takes what is left to 1', answer: number(0.4), unmet: [0] },
    ],
  },
  {
    sheet: 'circular',
    task: 'round',
    right: [{ commands: [round(roundRho + 1e-7)] }],
    wrong: [
      { what: 'types two digits', commands: [round(0.41)], unmet: [0] },
      { what: 'takes the weight for rho', commands: [round(Math.SQRT1_2)], unmet: [0] },
      {
        what: 'raises the tangents',
        commands: [round(1 / 3, [0, 24 * Math.sqrt(3)])],
        unmet: [2],
      },
    ],
  },
  {
    sheet: 'strings',
    task: 'edge',
    right: [{ commands: [edge(topRho + 0.01, topShoulder)] }],
    wrong: [
      { what: 'leaves rho', commands: [edge(0.6, topShoulder)], unmet: [1, 2, 3] },
      { what: 'takes the parabola', commands: [edge(0.5, topShoulder)], unmet: [1, 2, 3] },
      { what: 'leaves the shoulder by eye', commands: [edge(topRho, [-2, 32])], unmet: [0, 1, 2] },
    ],
  },
];
