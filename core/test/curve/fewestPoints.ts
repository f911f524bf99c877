import type { Curve, Point } from '../../src/curve/curve.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';

/** A curve that is to be fitted with few points, and the fewest that are known. */
export interface FewestCase {
  readonly name: string;
  readonly curve: Curve;
  readonly degree: number;
  readonly tolerance: number;
  /**
   * What the search in `core/bench/fewest.bench.ts` came down to: it takes knots away one after the other, from what was
   * found before, and moves the others from dozens of starts each time.
   */
  readonly known: number;
}

let state = 11;
const share = (): number => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;

const even = (count: number, degree: number, pointOf: (k: number) => Point): Curve => ({
  degree,
  knots: clampedUniformKnots(count, degree),
  points: Array.from({ length: count }, (_, k) => pointOf(k)),
});
const wave = (count: number, degree: number): Curve =>
  even(count, degree, (k) => [20 * k, 40 * Math.sin(1.3 * k) + 10 * Math.cos(2.7 * k)]);
const random = (count: number, degree: number): Curve =>
  even(count, degree, (k) => [20 * k + 6 * share(), 60 * share()]);
const bump = (count: number, degree: number): Curve =>
  even(count, degree, (k) => [10 * k, 40 / (1 + ((k - count / 2) / 1.5) ** 2)]);
const spiral = (count: number, degree: number): Curve =>
  even(count, degree, (k) => [(5 + 3 * k) * Math.cos(0.6 * k), (5 + 3 * k) * Math.sin(0.6 * k)]);
/** With spans of which some are a hundred times as long as others. */
const uneven = (count: number, degree: number): Curve => {
  const curve = random(count, degree);
  const inner = Array.from({ length: count - degree - 1 }, () => 0.01 + 0.98 * share() ** 2);
  const ends = (value: number): number[] => Array<number>(degree + 1).fill(value);
  return { ...curve, knots: [...ends(0), ...inner.sort((a, b) => a - b), ...ends(1)] };
};
const weighted = (count: number, degree: number): Curve => {
  const curve = random(count, degree);
  return { ...curve, weights: curve.points.map(() => 10 ** (share() - 0.5)) };
};

/** Twenty of them, of all kinds: the degree kept, lowered and raised; even and uneven knots; weights; strong features. */
export const fewestCases: readonly FewestCase[] = [
  { name: 'a wave, exactly', curve: wave(12, 3), degree: 3, tolerance: 0.1, known: 12 },
  { name: 'a wave', curve: wave(12, 3), degree: 3, tolerance: 1, known: 9 },
  { name: 'a long wave by parabolas', curve: wave(40, 5), degree: 2, tolerance: 0.1, known: 59 },
  { name: 'a long wave by parabolas, closely', curve: wave(40, 5), degree: 2, tolerance: 0.01, known: 124 },
  { name: 'a long wave by cubics', curve: wave(40, 5), degree: 3, tolerance: 0.5, known: 25 },
  { name: 'random points', curve: random(20, 3), degree: 3, tolerance: 1, known: 17 },
  { name: 'random points of degree 5 by cubics', curve: random(30, 5), degree: 3, tolerance: 0.1, known: 31 },
  {
    name: 'random points of degree 4 by quintics',
    curve: random(40, 4),
    degree: 5,
    tolerance: 0.1,
    known: 40,
  },
  { name: 'a bump', curve: bump(24, 3), degree: 3, tolerance: 0.1, known: 15 },
  { name: 'a bump of degree 5 by cubics', curve: bump(40, 5), degree: 3, tolerance: 0.02, known: 24 },
  { name: 'a bump of degree 5 by parabolas', curve: bump(40, 5), degree: 2, tolerance: 0.05, known: 24 },
  { name: 'a spiral', curve: spiral(30, 3), degree: 3, tolerance: 0.1, known: 21 },
  { name: 'a spiral of degree 5 by quartics', curve: spiral(30, 5), degree: 4, tolerance: 0.01, known: 25 },
  { name: 'a spiral by parabolas', curve: spiral(40, 3), degree: 2, tolerance: 0.5, known: 27 },
  { name: 'uneven spans', curve: uneven(20, 3), degree: 3, tolerance: 0.5, known: 20 },
  { name: 'uneven spans of degree 4 by cubics', curve: uneven(30, 4), degree: 3, tolerance: 0.1, known: 36 },
  { name: 'uneven spans of degree 5', curve: uneven(40, 5), degree: 5, tolerance: 0.2, known: 39 },
  { name: 'weights', curve: weighted(16, 3), degree: 3, tolerance: 0.1, known: 28 },
  { name: 'weights of degree 2 by cubics', curve: weighted(30, 2), degree: 3, tolerance: 0.2, known: 62 },
  {
    name: 'random points of degree 9 by cubics',
    curve: random(12, 9),
    degree: 3,
    tolerance: 0.05,
    known: 12,
  },
];
