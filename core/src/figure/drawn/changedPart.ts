import type { Curve } from '../../curve/curve.js';

/** The first and the last index at which two lists of the same length differ; nothing where they don't. */
function differing<T>(
  before: readonly T[],
  now: readonly T[],
  isSame: (a: T, b: T) => boolean = Object.is,
): readonly [number, number] | undefined {
  if (before === now) return undefined;
  let first = 0;
  while (first < now.length && isSame(before[first]!, now[first]!)) first++;
  if (first === now.length) return undefined;
  let last = now.length - 1;
  while (isSame(before[last]!, now[last]!)) last--;
  return [first, last];
}

const weightsOf = ({ weights, points }: Curve): readonly number[] => weights ?? points.map(() => 1);

const isSamePoint = (a: readonly number[], b: readonly number[]): boolean =>
  a === b || (a.length === b.length && a.every((value, axis) => value === b[axis]));

/**
 * The first and the last of the basis functions whose point, weight or knots are others in one of two curves: outside of
 * their supports both curves, and all basis functions, are the same. Nothing differs where the last is before the first.
 * @returns nothing where the curves can't be told apart by parts: one has another degree or more points
 */
function changedFunctions(before: Curve, now: Curve): readonly [number, number] | undefined {
  const { degree, knots, points } = now;
  if (
    before.degree !== degree ||
    before.knots.length !== knots.length ||
    before.points.length !== points.length ||
    before.periodic !== now.periodic
  )
    return undefined;
  const knot = differing(before.knots, knots);
  const functions = [
    differing(before.points, points, isSamePoint),
    // Without weights all of them are one: the first pull of a weight makes the curve rational.
    differing(weightsOf(before), weightsOf(now)),
    knot && ([knot[0] - degree - 1, knot[1]] as const),
  ].filter((range) => range !== undefined);
  const first = Math.max(0, Math.min(points.length, ...functions.map(([index]) => index)));
  return [first, Math.min(points.length - 1, Math.max(-1, ...functions.map(([, index]) => index)))];
}

/**
 * The part of the axis of parameters outside of which two curves, and their basis functions, are the same; it is empty
 * where they are so everywhere.
 * @returns nothing where all of them can be others
 */
export function changedPart(before: Curve, now: Curve): readonly [number, number] | undefined {
  const functions = changedFunctions(before, now);
  if (!functions) return undefined;
  const { degree, knots } = now;
  const [first, last] = functions;
  if (last < first) return [knots[degree]!, knots[degree]!];
  const end = last + degree + 1;
  return [Math.min(before.knots[first]!, knots[first]!), Math.max(before.knots[end]!, knots[end]!)];
}

/** The first of some spans, and the one after the last, counted along the domain. */
export type SpanRange = readonly [number, number];

/**
 * The spans outside of which two curves are the same, as they are counted in each of them: while one knot or point is
 * pulled they stay the same ones, but a knot on another one takes a span away.
 * @returns nothing where all of them can be others
 */
export function changedSpans(before: Curve, now: Curve): { before: SpanRange; now: SpanRange } | undefined {
  const functions = changedFunctions(before, now);
  if (!functions) return undefined;
  const [first, last] = functions;
  const rangeIn = ({ knots, degree, points }: Curve): SpanRange => {
    if (last < first) return [0, 0];
    const spansBefore = (knot: number): number => {
      let count = 0;
      for (let k = degree; k < Math.min(knot, points.length); k++) if (knots[k]! < knots[k + 1]!) count++;
      return count;
    };
    return [spansBefore(first), spansBefore(last + degree + 1)];
  };
  return { before: rangeIn(before), now: rangeIn(now) };
}
