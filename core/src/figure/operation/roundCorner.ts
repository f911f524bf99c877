import { extractPart } from '../../curve/split.js';
import { domainOf } from '../../curve/knotVector.js';
import type { Rounding } from '../../curve/roundCorner.js';
import { choice, number, signs } from '../../describe/describe.js';
import { curvesOf } from '../part/geometry.js';
import { passed } from '../part/handle.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

interface Arguments {
  readonly corner: number;
  readonly rounding: Rounding['way'];
  readonly radius: number;
  readonly setback: number;
  readonly rho: number;
  readonly continuity: 'G1' | 'G2' | 'G3';
  readonly strength: number;
}

const length = number({ unit: 'length', above: 0, most: 1e4 });

function roundingOf({ rounding, radius, setback, rho, continuity, strength }: Arguments): Rounding {
  if (rounding === 'byRadius') return { way: rounding, radius };
  if (rounding === 'byRho') return { way: rounding, setback, rho };
  return { way: rounding, setback, order: Number(continuity[1]) as 1 | 2 | 3, strength };
}

/** The curve with one of its corners rounded by an arc, a conic or a bridge. */
export const roundCorner = onCurves({
  name: 'roundCorner',
  aim: 'together',
  sources: oneCurve,
  arguments: {
    corner: number({ unit: 'parameter', from: 'corners' }),
    rounding: choice('byRadius', 'byRho', 'byBridge'),
    radius: length,
    setback: length,
    rho: number({ unit: 'ratio', above: 0, below: 1 }),
    continuity: signs('G1', 'G2', 'G3'),
    strength: number({ unit: 'ratio', least: 0.01, most: 100 }),
  },
  shape: 'another',
  asks: ['corner', 'rounding', 'radius', 'setback', 'rho', 'continuity', 'strength'],
  counts: ({ rounding }) =>
    rounding === 'byRadius'
      ? ['corner', 'rounding', 'radius']
      : rounding === 'byRho'
        ? ['corner', 'rounding', 'setback', 'rho']
        : ['corner', 'rounding', 'setback', 'continuity', 'strength'],
  first: (curve, cursor) => ({
    corner:
      mathematics()
        .cornersOf(curve)
        .sort((a, b) => Math.abs(a - cursor) - Math.abs(b - cursor))[0] ?? curve.knots[curve.degree]!,
    rounding: 'byRadius' as const,
    radius: 10,
    setback: 10,
    rho: 0.5,
    continuity: 'G2' as const,
    strength: 1,
  }),
  handles: {
    at: (sources, args) => {
      const [curve] = curvesOf(sources);
      const { piece } = mathematics().roundCorner(curve!, args.corner, roundingOf(args));
      return [passed('rounding', piece.points[0]!)];
    },
    move: (sources, args, _, to) => {
      const [curve] = curvesOf(sources);
      const size = mathematics().roundingSizeFor(curve!, args.corner, args.rounding, to);
      return args.rounding === 'byRadius' ? { ...args, radius: size } : { ...args, setback: size };
    },
  },
  run: (curve, args) => {
    const { curve: rounded, cut } = mathematics().roundCorner(curve, args.corner, roundingOf(args));
    return { curve: rounded, goes: cut };
  },
  calculation: async (curve, args) => {
    const { curve: rounded, piece } = mathematics().roundCorner(curve, args.corner, roundingOf(args));
    const [from, to] = domainOf(piece.knots, piece.degree);
    const [start, end] = domainOf(rounded.knots, rounded.degree);
    const { jointCalculation } = await import('../calculation/joint.js');
    return [
      ...jointCalculation(extractPart(rounded, start, from), piece),
      ...jointCalculation(piece, extractPart(rounded, to, end)),
    ];
  },
});
