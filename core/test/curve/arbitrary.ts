import fc from 'fast-check';
import type { Curve } from '../../src/curve/curve.js';
import { domainOf, spansOf } from '../../src/curve/knotVector.js';
import { periodicKnotVector, wrapped } from '../../src/curve/periodic.js';

export interface CurveOptions {
  readonly rational?: boolean;
  readonly clampedOnly?: boolean;
  /** Only periodic curves, or none; both kinds where not given. */
  readonly periodic?: boolean;
  readonly minimumDegree?: number;
  readonly dimension?: 2 | 3;
  /** Weights go from 10 to the power of minus this to 10 to the power of this; 3 where not given. */
  readonly weightExponent?: number;
}

/** Without numbers so small that their products vanish. */
const coordinate = fc
  .double({ min: -100, max: 100, noNaN: true })
  .map((value) => (Math.abs(value) < 1e-30 ? 0 : value));

/**
 * Random curves: degree 1 to 9, repeated knots, clamped and unclamped ends and periodic ones, weights from
 * 1e-3 to 1e3 unless others are asked for.
 */
export function arbitraryCurve(options: CurveOptions = {}): fc.Arbitrary<Curve> {
  const reach = options.weightExponent ?? 3;
  return fc
    .record({
      degree: fc.integer({ min: options.minimumDegree ?? 1, max: 9 }),
      dimension: options.dimension ? fc.constant(options.dimension) : fc.constantFrom(2, 3),
      breaks: fc.array(
        fc.record({
          gap: fc.double({ min: 0.05, max: 2, noNaN: true }),
          multiplicity: fc.integer({ min: 1, max: 10 }),
        }),
        { maxLength: 6 },
      ),
      lastGap: fc.double({ min: 0.05, max: 2, noNaN: true }),
      start: fc.double({ min: -10, max: 10, noNaN: true }),
      ends: options.clampedOnly
        ? fc.constant('clamped')
        : options.periodic
          ? fc.constant('periodic')
          : fc.constantFrom('clamped', 'unclamped', ...(options.periodic === false ? [] : ['periodic'])),
      seam: fc.integer({ min: 1, max: 10 }),
      rational: options.rational === undefined ? fc.boolean() : fc.constant(options.rational),
    })
    .chain(({ degree, dimension, breaks, lastGap, start, ends, seam, rational }) => {
      const clamped = ends === 'clamped';
      let knots: number[] = [];
      for (let k = 0; k <= degree; k++) knots.push(clamped ? start : start + (k - degree) * 0.25);
      let u = start;
      for (const { gap, multiplicity } of breaks) {
        u += gap;
        for (let k = 0; k < Math.min(multiplicity, degree); k++) knots.push(u);
      }
      u += lastGap;
      for (let k = 0; k <= degree; k++) knots.push(clamped ? u : u + k * 0.25);
      if (ends === 'periodic') {
        const inner = knots.slice(degree + 1, -degree - 1);
        const distinct = [...new Set(inner)].map((value) => ({
          value,
          multiplicity: inner.filter((knot) => knot === value).length,
        }));
        const first = { value: start, multiplicity: Math.min(seam, degree) };
        knots = periodicKnotVector([first, ...distinct], u, degree);
      }
      const count = knots.length - degree - 1 - (ends === 'periodic' ? degree : 0);
      const points = fc.array(fc.array(coordinate, { minLength: dimension, maxLength: dimension }), {
        minLength: count,
        maxLength: count,
      });
      const weights = fc.array(
        fc.double({ min: -reach, max: reach, noNaN: true }).map((exponent) => 10 ** exponent),
        { minLength: count, maxLength: count },
      );
      return fc
        .record({ points, weights: rational ? weights : fc.constant(undefined) })
        .map((given): Curve => {
          const close = <T>(list: T[]): T[] => (ends === 'periodic' ? wrapped(list, degree) : list);
          return {
            degree,
            knots,
            points: close(given.points),
            ...(given.weights ? { weights: close(given.weights) } : {}),
            ...(ends === 'periodic' ? { periodic: true } : {}),
          };
        });
    });
}

/** A curve with a parameter at a knot, one ulp or a little beside one, or anywhere between. */
export function arbitraryCurveAndParameter(
  options: CurveOptions = {},
): fc.Arbitrary<{ curve: Curve; u: number }> {
  return arbitraryCurve(options).chain((curve) => {
    const [start, end] = domainOf(curve.knots, curve.degree);
    const ends = [start, ...spansOf(curve.knots, curve.degree).map((span) => span.end)];
    const beside = fc
      .record({
        knot: fc.constantFrom(...ends),
        offset: fc.constantFrom(0, 2 ** -52, -(2 ** -52), 1e-9, -1e-9, 1e-5),
      })
      .map(({ knot, offset }) => knot + offset * Math.max(1, Math.abs(knot)));
    const anywhere = fc.double({ min: 0, max: 1, noNaN: true }).map((t) => start + t * (end - start));
    return fc.oneof(beside, anywhere).map((u) => ({ curve, u: Math.min(end, Math.max(start, u)) }));
  });
}

/** The size by which errors are judged: the largest coordinate of the control points, at least 1. */
export function sizeOf(curve: Curve): number {
  return Math.max(1, ...curve.points.flat().map(Math.abs));
}
