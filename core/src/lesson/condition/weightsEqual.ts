import { list, number } from '../../describe/describe.js';
import { figureLimits } from '../../figure/part/parts.js';
import { atMost, defineCondition, notThere } from './define.js';

/** The weights are those of a list but for a common factor, within a share of the largest. */
export const weightsEqual = defineCondition(
  'weightsEqual',
  { weights: list(number(), figureLimits.points), within: number({ unit: 'ratio', least: 0 }) },
  'number',
  ({ weights, within }, { curve }) => {
    const own = curve.weights ?? curve.points.map(() => 1);
    if (weights.length !== own.length) return notThere;
    const largest = weights.reduce(
      (best, weight, k) => (Math.abs(weight) > Math.abs(weights[best]!) ? k : best),
      0,
    );
    const factor = weights[largest]! / own[largest]!;
    if (!Number.isFinite(factor) || factor === 0) return notThere;
    const off = own.map((weight, k) => Math.abs(factor * weight - weights[k]!) / Math.abs(weights[largest]!));
    return atMost(Math.max(...off), within);
  },
  ({ curve }) => ({ weights: curve.weights ?? curve.points.map(() => 1), within: 1e-9 }),
);
