/**
 * Values of the p + 1 basis functions N_{span-p,p} … N_{span,p} that are not zero on a span
 * (P&T A2.2). They are non-negative and sum to one.
 * @param span a span index from `findSpan`
 * @param u a parameter inside that span, its ends included
 * @param out receives the values, from the index `at` on; a new array of p + 1 where not given
 */
export function basisFunctions(
  knots: ArrayLike<number>,
  degree: number,
  span: number,
  u: number,
  out: Float64Array = new Float64Array(degree + 1),
  at = 0,
): Float64Array {
  out[at] = 1;
  for (let j = 1; j <= degree; j++) {
    let saved = 0;
    for (let r = 0; r < j; r++) {
      const right = knots[span + r + 1]! - u;
      const left = u - knots[span + 1 - j + r]!;
      const term = out[at + r]! / (right + left);
      out[at + r] = saved + right * term;
      saved = left * term;
    }
    out[at + j] = saved;
  }
  return out;
}

/**
 * The basis functions that are not zero on a span and their derivatives up to `order` (P&T A2.3).
 * @returns `order + 1` rows of `degree + 1` values, row after row: row k holds the k-th derivatives.
 * Rows above the degree are zero.
 */
export function basisDerivatives(
  knots: readonly number[],
  degree: number,
  span: number,
  u: number,
  order: number,
): Float64Array {
  const width = degree + 1;
  const result = new Float64Array((order + 1) * width);
  // Upper triangle: basis functions of each degree; lower triangle: knot differences.
  const table = new Float64Array(width * width);
  table[0] = 1;
  for (let j = 1; j <= degree; j++) {
    let saved = 0;
    for (let r = 0; r < j; r++) {
      const right = knots[span + r + 1]! - u;
      const left = u - knots[span + 1 - j + r]!;
      const difference = right + left;
      table[j * width + r] = difference;
      const term = table[r * width + j - 1]! / difference;
      table[r * width + j] = saved + right * term;
      saved = left * term;
    }
    table[j * width + j] = saved;
  }
  for (let j = 0; j <= degree; j++) result[j] = table[j * width + degree]!;

  const highest = Math.min(order, degree);
  const rows = [new Float64Array(width), new Float64Array(width)] as const;
  for (let r = 0; r <= degree; r++) {
    let [previous, next] = rows;
    previous.fill(0);
    next.fill(0);
    previous[0] = 1;
    for (let k = 1; k <= highest; k++) {
      let derivative = 0;
      const rk = r - k;
      const pk = degree - k;
      if (r >= k) {
        next[0] = previous[0]! / table[(pk + 1) * width + rk]!;
        derivative = next[0] * table[rk * width + pk]!;
      }
      const first = rk >= -1 ? 1 : -rk;
      const last = r - 1 <= pk ? k - 1 : degree - r;
      for (let j = first; j <= last; j++) {
        next[j] = (previous[j]! - previous[j - 1]!) / table[(pk + 1) * width + rk + j]!;
        derivative += next[j]! * table[(rk + j) * width + pk]!;
      }
      if (r <= pk) {
        next[k] = -previous[k - 1]! / table[(pk + 1) * width + r]!;
        derivative += next[k]! * table[r * width + pk]!;
      }
      result[k * width + r] = derivative;
      [previous, next] = [next, previous];
    }
  }
  let factor = degree;
  for (let k = 1; k <= highest; k++) {
    for (let j = 0; j <= degree; j++) result[k * width + j]! *= factor;
    factor *= degree - k;
  }
  return result;
}
