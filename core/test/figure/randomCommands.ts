import type fc from 'fast-check';
import type { Curve } from '../../src/curve/curve.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import {
  figureCommands,
  type FigureCommandName,
  type SingleFigureCommand,
} from '../../src/figure/command/commands.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import type { FigureItem } from '../../src/figure/document/item.js';
import { arbitraryOf } from '../describe/arbitraryOf.js';

export const points = [
  [0, 0],
  [10, 20],
  [30, 25],
  [50, 5],
  [70, 15],
  [90, 0],
];
export const curve: Curve = { degree: 3, knots: clampedUniformKnots(6, 3), points };
const decorated = {
  color: 'teal',
  lineWeight: 'bold',
  locked: false,
  hidden: true,
  shown: { comb: true, hulls: false },
} as const;
export const figureItems: readonly FigureItem[] = [
  {
    id: 'b',
    name: 'B',
    kind: 'built',
    operation: { name: 'raiseDegree', source: 'a', times: 1 },
    ...decorated,
  },
  { id: 'a', name: 'A', kind: 'curve', curve, ...decorated },
  {
    id: 'n',
    name: 'N',
    kind: 'curve',
    curve: { ...curve, weights: [1, -2, 1, 0, 3, 1], signedWeights: true },
  },
  { id: 'constructor', name: 'C', kind: 'curve', curve: { ...curve, weights: [1, 2, 1, 1, 3, 1] } },
  { id: 'p', name: 'P', kind: 'point', at: [5, 5] },
  {
    id: 's',
    name: 'S',
    kind: 'shape',
    shape: { kind: 'circle', centre: [5, 5], radius: 3, layout: 'quadratic7' },
    ...decorated,
  },
  {
    id: 'i',
    name: 'I',
    kind: 'picture',
    picture: '8d3ddf3c-1c0c-4a6e-8d43-6a1c2b9f0a11',
    size: [300, 200],
    centre: [0, 0],
    width: 100,
    angle: 10,
    flipped: false,
    fade: 0.5,
  },
];
export const figure: FigureDocument = {
  ...emptyFigure(),
  items: figureItems,
  loose: { a: { controlPoints: [0, 1, 2, 3, 4, 5], editPoints: [1, 3] } },
  rail: { item: 'a', tracks: ['knots'] },
};
export const figureIds = { items: figureItems.map(({ id }) => id), sheets: ['one'] };
export const commandNames = Object.keys(figureCommands) as FigureCommandName[];

/** Random commands of one kind; points and handles are mostly such as are there. */
export function commandsOf(name: FigureCommandName): fc.Arbitrary<SingleFigureCommand> {
  return arbitraryOf(figureCommands[name].description, figureIds).map((command) => {
    const given = command as Record<string, unknown>;
    if ('key' in given)
      given['key'] = ['centre', 'rim', 'corner', 'nothing'][String(given['key']).length % 4];
    if (name === 'setPoints') given['points'] = points.map(([x, y]) => [x! + 1, y! * 2]);
    if (name === 'operate') given['operation'] = { name: 'reverse', source: given['item'] };
    if (name === 'moveKnot') {
      given['item'] = 'a';
      given['knot'] = [1 / 3, 2 / 3][String(given['knot']).length % 2];
      given['to'] = (String(given['to']).length * 0.137) % 1;
    }
    if (name === 'setView') given['view'] = { left: 0, bottom: 0, right: 10, top: 5, grid: 1 };
    if (name === 'patchItem' && given['item'] !== 'i') {
      const { name: to, color, locked } = given['set'] as Record<string, unknown>;
      given['set'] = JSON.parse(JSON.stringify({ name: to, color, locked }));
    }
    if (name === 'removeItem') given['item'] = ['b', 'p', 's', 'a'][String(given['item']).length % 4];
    return given as unknown as SingleFigureCommand;
  });
}
