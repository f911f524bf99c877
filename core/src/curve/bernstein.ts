import { spend } from './effort.js';

/** Coefficients of a polynomial on [0, 1] in the Bernstein basis, as many as its degree plus one. */
export type Bernstein = readonly number[];

function binomials(n: number): number[] {
  const row = [1];
  for (let k = 1; k <= n; k++) row.push((row[k - 1]! * (n - k + 1)) / k);
  return row;
}

const productShares = new Map<number, Float64Array>();

/** The shares with which coefficients i and j count in coefficient i + j of a product, row after row; the same for every product of these degrees. */
function sharesOfProduct(m: number, n: number): Float64Array {
  const key = 1024 * m + n;
  const known = productShares.get(key);
  if (known) return known;
  const [ofA, ofB, ofProduct] = [binomials(m), binomials(n), binomials(m + n)];
  const shares = new Float64Array((m + 1) * (n + 1));
  for (let i = 0; i <= m; i++) {
    for (let j = 0; j <= n; j++) shares[i * (n + 1) + j] = (ofA[i]! * ofB[j]!) / ofProduct[i + j]!;
  }
  productShares.set(key, shares);
  return shares;
}

/** The product of two polynomials (F 6; Farouki & Rajan 1988). */
export function multiplyBernstein(a: Bernstein, b: Bernstein): number[] {
  const m = a.length - 1;
  const n = b.length - 1;
  const shares = sharesOfProduct(m, n);
  const product = new Array<number>(m + n + 1).fill(0);
  for (let i = 0; i <= m; i++) {
    const value = a[i]!;
    const row = i * (n + 1);
    for (let j = 0; j <= n; j++) product[i + j]! += shares[row + j]! * value * b[j]!;
  }
  return product;
}

/** The same polynomial with more coefficients (F 5). */
export function elevateBernstein(a: Bernstein, length: number): number[] {
  let row = a.slice();
  while (row.length < length) {
    const order = row.length;
    const before = row;
    row = Array.from(
      { length: order + 1 },
      (_, k) => (k / order) * (before[k - 1] ?? 0) + (1 - k / order) * (before[k] ?? 0),
    );
  }
  return row;
}

/** The sum of two polynomials, of the higher degree of both. */
export function addBernstein(a: Bernstein, b: Bernstein): number[] {
  const length = Math.max(a.length, b.length);
  const other = elevateBernstein(b, length);
  return elevateBernstein(a, length).map((value, k) => value + other[k]!);
}

/** The difference of two polynomials, of the higher degree of both. */
export function subtractBernstein(a: Bernstein, b: Bernstein): number[] {
  return addBernstein(
    a,
    b.map((value) => -value),
  );
}

/** The derivative, of one degree less; a constant has the derivative `[0]`. */
export function differentiateBernstein(a: Bernstein): number[] {
  const degree = a.length - 1;
  if (degree === 0) return [0];
  return Array.from({ length: degree }, (_, k) => degree * (a[k + 1]! - a[k]!));
}

/** The value at `t` by de Casteljau's algorithm (F 4). */
export function evaluateBernstein(a: Bernstein, t: number): number {
  const row = a.slice();
  for (let length = row.length - 1; length > 0; length--) {
    for (let k = 0; k < length; k++) row[k] = (1 - t) * row[k]! + t * row[k + 1]!;
  }
  return row[0]!;
}

/** Both halves of a polynomial, each on [0, 1] again, by de Casteljau's algorithm at one half. */
function halve(a: Bernstein): [number[], number[]] {
  const row = a.slice();
  const left = [row[0]!];
  const right = [row.at(-1)!];
  for (let length = row.length - 1; length > 0; length--) {
    for (let k = 0; k < length; k++) row[k] = (row[k]! + row[k + 1]!) / 2;
    left.push(row[0]!);
    right.push(row[length - 1]!);
  }
  return [left, right.reverse()];
}

/**
 * The places in [0, 1] where a polynomial is zero, ascending. By variation diminishing, an interval
 * whose coefficients do not change sign has no root, and one with a single change exactly one; others
 * are halved (F 5, P&T P1.6). A multiple root is found once, to about the accuracy that its multiplicity
 * allows. A polynomial that is zero everywhere, within rounding, has none.
 * @param noise values up to this size are taken for zero; 0 where not given
 */
export function rootsOfBernstein(a: Bernstein, noise = 0): number[] {
  spend(10 + a.length ** 2 / 2);
  const roots: number[] = [];
  if (a.every((value) => Math.abs(value) <= noise)) return roots;
  const add = (root: number): void => {
    const last = roots.at(-1);
    if (last === undefined || root - last > 1e-12) roots.push(root);
  };
  // Each root takes at most 47 halvings with a part on either side; what takes more changes its sign by rounding alone.
  let budget = 100 * a.length;
  const search = (part: Bernstein, start: number, width: number): void => {
    let changes = 0;
    let sign = 0;
    let quiet = true;
    for (const value of part) {
      if (Math.abs(value) > noise) quiet = false;
      const next = Math.sign(value);
      if (next === 0) continue;
      if (sign !== 0 && next !== sign) changes++;
      sign = next;
    }
    // Ends that are exactly zero are roots that no change of sign tells.
    if (part[0] === 0) add(start);
    if (changes === 1 && part[0] !== 0 && part.at(-1) !== 0) add(start + width * bracketedRoot(part));
    else if (changes > 0) {
      if (width < 1e-14 || quiet || budget-- <= 0) add(start + width / 2);
      else {
        const [left, right] = halve(part);
        search(left, start, width / 2);
        search(right, start + width / 2, width / 2);
      }
    }
    if (part.at(-1) === 0) add(start + width);
  };
  search(a, 0, 1);
  return roots;
}

/** The one root of a polynomial whose ends differ in sign, by Newton's method kept inside a bisection. */
function bracketedRoot(a: Bernstein): number {
  const derivative = differentiateBernstein(a);
  const atStart = a[0]!;
  let low = 0;
  let high = 1;
  let t = atStart / (atStart - a.at(-1)!);
  for (let iteration = 0; iteration < 100 && high - low > 1e-16; iteration++) {
    const value = evaluateBernstein(a, t);
    if (value === 0) return t;
    if (value < 0 === atStart < 0) low = t;
    else high = t;
    const newton = t - value / evaluateBernstein(derivative, t);
    const next = newton > low && newton < high ? newton : (low + high) / 2;
    if (Math.abs(next - t) < 1e-16) return next;
    t = next;
  }
  return t;
}
