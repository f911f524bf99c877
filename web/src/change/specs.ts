import { domainOf, interiorKnots, spansOf, type Curve, type Operation } from '@bogen/core';
import type { Limits } from '../ui/limits.js';

/** A field of an operation's form. Values are kept by key, as numbers, words and truths. */
export type Field =
  | {
      readonly key: string;
      readonly kind: 'number';
      readonly limits?: Limits;
    }
  | { readonly key: string; readonly kind: 'whole'; readonly least: number; readonly most: number }
  | { readonly key: string; readonly kind: 'parameter' }
  | { readonly key: string; readonly kind: 'knot' }
  | {
      readonly key: string;
      readonly kind: 'choice';
      readonly choices: readonly string[];
      readonly plain?: boolean;
    }
  | { readonly key: string; readonly kind: 'check' }
  | { readonly key: string; readonly kind: 'curve' };

export type Values = Readonly<Record<string, number | string | boolean>>;

/** How an operation is asked for: its fields, what they hold at first, and the operation that they make. */
export interface Spec {
  readonly fields: readonly Field[];
  readonly first: (curve: Curve, cursor: number) => Values;
  readonly make: (source: string, values: Values) => Operation;
}

const number = (values: Values, key: string): number => Number(values[key]);
const times: Field = { key: 'times', kind: 'whole', least: 1, most: 9 };
const degree: Field = { key: 'degree', kind: 'whole', least: 1, most: 9 };
const ends = ['start', 'end'] as const;
const axis = (values: Values) => {
  const place = number(values, 'place');
  return values['mirrorAt'] === 'upright'
    ? ([
        [place, 0],
        [place, 1],
      ] as const)
    : ([
        [0, place],
        [1, place],
      ] as const);
};
/** The middle of a curve's breadth, to a tenth. */
const middleOf = ({ points }: Curve): number => {
  const xs = points.map(([x]) => x!);
  return Math.round(5 * (Math.min(...xs) + Math.max(...xs))) / 10;
};
const rightEdge = ({ points }: Curve): number => Math.max(...points.map(([x]) => x!));

/** Every operation that can be asked for on a curve, in the order of the list. */
export const specs = {
  insertKnot: {
    fields: [{ key: 'parameter', kind: 'parameter' }, times],
    first: (_, cursor) => ({ parameter: cursor, times: 1 }),
    make: (source, v) => ({
      name: 'insertKnot',
      source,
      parameter: number(v, 'parameter'),
      times: number(v, 'times'),
    }),
  },
  removeKnot: {
    fields: [{ key: 'knot', kind: 'knot' }, times],
    first: (curve) => ({ knot: interiorKnots(curve.knots, curve.degree)[0]?.value ?? NaN, times: 1 }),
    make: (source, v) => ({
      name: 'removeKnot',
      source,
      parameter: number(v, 'knot'),
      times: number(v, 'times'),
    }),
  },
  raiseDegree: {
    fields: [times],
    first: () => ({ times: 1 }),
    make: (source, v) => ({ name: 'raiseDegree', source, times: number(v, 'times') }),
  },
  lowerDegree: {
    fields: [times],
    first: () => ({ times: 1 }),
    make: (source, v) => ({ name: 'lowerDegree', source, times: number(v, 'times') }),
  },
  refit: {
    fields: [degree, { key: 'spans', kind: 'whole', least: 1, most: 500 }],
    first: (curve) => ({ degree: curve.degree, spans: spansOf(curve.knots, curve.degree).length }),
    make: (source, v) => ({ name: 'refit', source, degree: number(v, 'degree'), spans: number(v, 'spans') }),
  },
  fitToTolerance: {
    fields: [degree, { key: 'tolerance', kind: 'number', limits: { least: 1e-6, most: 1e4 } }],
    first: (curve) => ({ degree: curve.degree, tolerance: 0.5 }),
    make: (source, v) => ({
      name: 'fitToTolerance',
      source,
      degree: number(v, 'degree'),
      tolerance: number(v, 'tolerance'),
    }),
  },
  split: {
    fields: [
      { key: 'parameter', kind: 'parameter' },
      { key: 'side', kind: 'choice', choices: ['before', 'after'] },
    ],
    first: (_, cursor) => ({ parameter: cursor, side: 'before' }),
    make: (source, v) => ({
      name: 'split',
      source,
      parameter: number(v, 'parameter'),
      side: v['side'] === 'after' ? 'after' : 'before',
    }),
  },
  part: {
    fields: [
      { key: 'from', kind: 'parameter' },
      { key: 'to', kind: 'parameter' },
    ],
    first: (curve, cursor) => ({ from: cursor, to: domainOf(curve.knots, curve.degree)[1] }),
    make: (source, v) => ({ name: 'part', source, from: number(v, 'from'), to: number(v, 'to') }),
  },
  piece: {
    fields: [{ key: 'index', kind: 'whole', least: 0, most: 1999 }],
    first: () => ({ index: 0 }),
    make: (source, v) => ({ name: 'piece', source, index: number(v, 'index') }),
  },
  join: {
    fields: [
      { key: 'second', kind: 'curve' },
      { key: 'tolerance', kind: 'number', limits: { least: 0, most: 1e4 } },
    ],
    first: () => ({ second: '', tolerance: 0.001 }),
    make: (source, v) => ({
      name: 'join',
      source,
      second: String(v['second']),
      tolerance: number(v, 'tolerance'),
    }),
  },
  match: {
    fields: [
      { key: 'second', kind: 'curve' },
      { key: 'continuity', kind: 'choice', choices: ['G0', 'G1', 'G2', 'G3', 'C1', 'C2'], plain: true },
      { key: 'curveEnd', kind: 'choice', choices: ends },
      { key: 'targetEnd', kind: 'choice', choices: ends },
    ],
    first: () => ({ second: '', continuity: 'G1', curveEnd: 'start', targetEnd: 'end' }),
    make: (source, v) => ({
      name: 'match',
      source,
      second: String(v['second']),
      continuity: v['continuity'] as 'G1',
      curveEnd: v['curveEnd'] as 'start',
      targetEnd: v['targetEnd'] as 'end',
    }),
  },
  reverse: { fields: [], first: () => ({}), make: (source) => ({ name: 'reverse', source }) },
  close: {
    fields: [
      { key: 'way', kind: 'choice', choices: ['pull', 'bridge', 'wrap'] },
      { key: 'bridge', kind: 'choice', choices: ['0', '1', '2'], plain: true },
    ],
    first: () => ({ way: 'wrap', bridge: '1' }),
    make: (source, v) => ({
      name: 'close',
      source,
      way: v['way'] as 'wrap',
      continuity: Number(v['bridge']) as 0 | 1 | 2,
    }),
  },
  open: {
    fields: [{ key: 'parameter', kind: 'parameter' }],
    first: (_, cursor) => ({ parameter: cursor }),
    make: (source, v) => ({ name: 'open', source, parameter: number(v, 'parameter') }),
  },
  moveStart: {
    fields: [{ key: 'parameter', kind: 'parameter' }],
    first: (_, cursor) => ({ parameter: cursor }),
    make: (source, v) => ({ name: 'moveStart', source, parameter: number(v, 'parameter') }),
  },
  evenOut: {
    fields: [{ key: 'perSpan', kind: 'whole', least: 1, most: 50 }],
    first: () => ({ perSpan: 1 }),
    make: (source, v) => ({ name: 'evenOut', source, held: [], perSpan: number(v, 'perSpan') }),
  },
  mobius: {
    fields: [{ key: 'factor', kind: 'number', limits: { least: 0.001, most: 1000 } }],
    first: () => ({ factor: 2 }),
    make: (source, v) => ({ name: 'mobius', source, factor: number(v, 'factor') }),
  },
  mapDomain: {
    fields: [
      { key: 'start', kind: 'number' },
      { key: 'end', kind: 'number' },
    ],
    first: () => ({ start: 0, end: 1 }),
    make: (source, v) => ({ name: 'mapDomain', source, start: number(v, 'start'), end: number(v, 'end') }),
  },
  mirror: {
    fields: [
      { key: 'mirrorAt', kind: 'choice', choices: ['upright', 'level'] },
      { key: 'place', kind: 'number' },
    ],
    first: (curve) => ({ mirrorAt: 'upright', place: rightEdge(curve) }),
    make: (source, v) => ({ name: 'mirror', source, axis: axis(v) }),
  },
  symmetric: {
    fields: [
      { key: 'mirrorAt', kind: 'choice', choices: ['upright', 'level'] },
      { key: 'place', kind: 'number' },
      { key: 'keep', kind: 'choice', choices: ['before', 'after'] },
      { key: 'smooth', kind: 'check' },
    ],
    first: (curve) => ({ mirrorAt: 'upright', place: middleOf(curve), keep: 'before', smooth: true }),
    make: (source, v) => ({
      name: 'symmetric',
      source,
      axis: axis(v),
      keep: v['keep'] === 'after' ? 'after' : 'before',
      smooth: v['smooth'] === true,
    }),
  },
  convert: {
    fields: [{ key: 'kind', kind: 'choice', choices: ['straight', 'monotone', 'bezier', 'bspline'] }],
    first: () => ({ kind: 'bezier' }),
    make: (source, v) => ({ name: 'convert', source, kind: v['kind'] as 'bezier' }),
  },
  copy: {
    fields: [
      { key: 'dx', kind: 'number' },
      { key: 'dy', kind: 'number' },
    ],
    first: () => ({ dx: 10, dy: -10 }),
    make: (source, v) => ({ name: 'copy', source, offset: [number(v, 'dx'), number(v, 'dy')] }),
  },
} as const satisfies Record<string, Spec>;

export type SpecName = keyof typeof specs;
export const specNames = Object.keys(specs) as SpecName[];
