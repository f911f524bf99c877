import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import type { Curve } from './curve.js';
import { CurveError } from './error.js';
import { lengthOfPart, speedsAt } from './length.js';
import { quadratureBreaks } from './quadratureBreaks.js';
import { sizeOf } from './sizeOf.js';
import { spanPolynomials } from './spanPolynomials.js';

/** Arc length and parameter of a curve, each by the other. */
export interface ArcLengthTable {
  /** Length of the whole curve. */
  readonly length: number;
  /** Arc length from the start to a parameter of the domain. */
  lengthAt(u: number): number;
  /** The parameter at which an arc length from 0 to the whole is reached. */
  parameterAt(length: number): number;
}

/**
 * Prepares the arc length of a curve for many questions: lengths of small steps are summed once, and
 * each question adds the rest of its step by Gauss–Legendre quadrature; the inverse by Newton's method
 * kept inside the step (P&T 6; F 10).
 * @param stepsPerPiece how many steps each span is cut into, 8 where not given
 */
export function arcLengthTable(curve: Curve, stepsPerPiece = 8): ArcLengthTable {
  refuseSignedWeights(curve);
  const polynomials = spanPolynomials(curve, 1);
  // Where the curve stands still, what is left is the rounding of its points.
  const allowed = 2 ** -50 * sizeOf(curve);
  const places: number[] = [];
  const sums: number[] = [];
  let sum = 0;
  const ends = quadratureBreaks(curve);
  for (let piece = 1; piece < ends.length; piece++) {
    const [start, end] = [ends[piece - 1]!, ends[piece]!];
    for (let k = 0; k < stepsPerPiece; k++) {
      const from = start + ((end - start) * k) / stepsPerPiece;
      const to = k === stepsPerPiece - 1 ? end : start + ((end - start) * (k + 1)) / stepsPerPiece;
      places.push(from);
      sums.push(sum);
      sum += lengthOfPart(polynomials, from, to, allowed);
    }
  }
  places.push(ends.at(-1)!);
  sums.push(sum);
  const stepOf = (list: readonly number[], value: number): number => {
    let low = 0;
    let high = list.length - 1;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (list[middle]! <= value) low = middle;
      else high = middle;
    }
    return low;
  };
  const lengthAt = (u: number): number => {
    if (!(u >= places[0]! && u <= places.at(-1)!)) {
      throw new CurveError(
        'parameter',
        told('parameterOutside', { parameter: u, start: places[0]!, end: places.at(-1)! }),
        { value: u },
      );
    }
    const step = stepOf(places, u);
    return u === places[step]!
      ? sums[step]!
      : sums[step]! + lengthOfPart(polynomials, places[step]!, u, allowed);
  };
  const parameterAt = (length: number): number => {
    if (!(length >= -1e-12 * sum && length <= sum * (1 + 1e-12))) {
      throw new CurveError('argument', told('lengthOutside', { length, whole: sum }), {
        value: length,
      });
    }
    if (length <= 0) return places[0]!;
    if (length >= sum) return places.at(-1)!;
    const step = stepOf(sums, length);
    let [low, high] = [places[step]!, places[step + 1]!];
    const [from, base] = [low, sums[step]!];
    const share = (length - base) / (sums[step + 1]! - base);
    let u = low + share * (high - low);
    for (let round = 0; round < 60; round++) {
      const off = base + lengthOfPart(polynomials, from, u, allowed) - length;
      if (Math.abs(off) <= 1e-15 * sum) return u;
      if (off > 0) high = u;
      else low = u;
      const newton = u - off / speedsAt(polynomials, [u])[0]!;
      const next = newton > low && newton < high ? newton : (low + high) / 2;
      if (Math.abs(next - u) <= 2 ** -52 * Math.abs(u)) return next;
      u = next;
    }
    return u;
  };
  return { length: sum, lengthAt, parameterAt };
}
