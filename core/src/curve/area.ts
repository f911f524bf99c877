import { refuseSignedWeights } from './betweenPoles.js';
import { told } from '../told/told.js';
import { dimensionOf, type Curve } from './curve.js';
import { CurveError } from './error.js';
import { derivativesAtMany } from './evaluateMany.js';
import { gaussRule } from './length.js';
import { spanPolynomials } from './spanPolynomials.js';

/**
 * The signed area that a plane curve encloses, ½ ∮ (x y′ − y x′) du, positive where it runs
 * counterclockwise; an open curve is closed by the straight line from its end to its start. By the
 * 16-point Gauss–Legendre rule on each span, exact without weights up to degree 9; for rational curves
 * the parts that disagree most with their halves are halved until all together agree to rounding (P&T 6).
 * @returns in the square of the drawing's unit
 * @throws CurveError `unsupported` in space
 */
export function enclosedArea(curve: Curve): number {
  refuseSignedWeights(curve);
  if (dimensionOf(curve) !== 2) {
    throw new CurveError('unsupported', told('areaOfPlaneOnly'));
  }
  const polynomials = spanPolynomials(curve, 1);
  // About the curve's start, so that the closing line contributes nothing and no digits are lost far from the origin.
  const { spans } = polynomials;
  const first = derivativesAtMany(polynomials, [spans[0]!.start], 0);
  const [x0, y0] = [first[0]!, first[1]!];
  const rule: Rule = (from, to) => {
    const { places, weights } = gaussRule(from, to);
    const values = derivativesAtMany(polynomials, places, 1);
    let [sum, size] = [0, 0];
    for (let k = 0; k < 16; k++) {
      const at = 4 * k;
      const [first, second] = [
        (values[at]! - x0) * values[at + 3]!,
        (values[at + 1]! - y0) * values[at + 2]!,
      ];
      sum += weights[k]! * (first - second);
      size += weights[k]! * (Math.abs(first) + Math.abs(second));
    }
    return [sum / 2, size / 2];
  };
  if (!polynomials.rational) return spans.reduce((sum, { start, end }) => sum + rule(start, end)[0], 0);
  // The part that disagrees most with its halves comes first, wherever it is, so that none uses up what others need.
  const parts = spans.map(({ start, end }) => partOf(rule, start, end));
  for (let halvings = 0; halvings < mostHalvings; halvings++) {
    let [worst, error, size] = [0, 0, 0];
    parts.forEach((part, k) => {
      error += part.error;
      size += Math.abs(part.value);
      if (part.error > parts[worst]!.error) worst = k;
    });
    if (error <= 2 ** -44 * size) break;
    const part = parts[worst]!;
    const middle = (part.from + part.to) / 2;
    parts.splice(worst, 1, ...halvesOf(part, partOf(rule, part.from, middle), partOf(rule, middle, part.to)));
  }
  // The small ones first, so that they are not lost in rounding.
  return parts
    .map(({ value }) => value)
    .toSorted((a, b) => Math.abs(a) - Math.abs(b))
    .reduce((sum, value) => sum + value, 0);
}

/** The integral over a part of the domain, and the sum of the sizes of what it adds and takes away. */
type Rule = (from: number, to: number) => readonly [value: number, size: number];

/**
 * A bound on the work. Random curves with weights from 1e-3 to 1e3 take at most 110; with weights from 1e-6 to 1e6 one in
 * twelve takes them all, where the rounding of the derivatives is larger than what is asked for.
 */
const mostHalvings = 300;

/** A part of the domain with its integral from both halves, and how far that is from the rule over the whole of it. */
interface Part {
  readonly from: number;
  readonly to: number;
  readonly value: number;
  readonly error: number;
  readonly size: number;
  /** How many halvings on the way to it have not made the error smaller. */
  readonly stuck: number;
}

function partOf(rule: Rule, from: number, to: number): Part {
  const middle = (from + to) / 2;
  const [[left, a], [right, b], [whole]] = [rule(from, middle), rule(middle, to), rule(from, to)];
  const value = left + right;
  return { from, to, value, error: Math.abs(value - whole), size: a + b, stuck: 0 };
}

/**
 * Both halves of a part. Where they nearly agree and halving has not helped several times, what is left is rounding, and is
 * as small as it gets.
 */
function halvesOf(part: Part, first: Part, second: Part): Part[] {
  const isFine = part.error <= 1e-9 * part.size;
  const stuck = isFine && first.error + second.error > part.error / 4 ? part.stuck + 1 : part.stuck;
  return [first, second].map((half) => ({ ...half, stuck, error: stuck > 2 ? 0 : half.error }));
}
