import type { Curve } from '../../curve/curve.js';
import type { KnotContinuity } from '../../curve/continuity.js';
import type { ConicClass } from '../../curve/classifyConic.js';
import type { CalculationLine } from '../calculation/calculation.js';
import type { FigureItem } from '../document/item.js';

/** What can be told of a curve, by its kind: how it is shown, quoted and compared follows from that. */
export type FactValue =
  | { readonly kind: 'whole'; readonly value: number }
  | { readonly kind: 'number'; readonly value: number; readonly unit: FactUnit }
  | { readonly kind: 'word'; readonly word: FactWord }
  | { readonly kind: 'list'; readonly values: readonly number[] }
  | {
      readonly kind: 'continuity';
      readonly knots: readonly KnotContinuity[];
      readonly degree: number;
      readonly start: number;
    };

/** What a number is measured in: the drawing's unit, its square, and one over its square. */
export type FactUnit = 'length' | 'area' | 'curvatureSlope';

export type FactWord =
  | 'rational'
  | 'polynomial'
  | 'noPoles'
  | Closedness
  | ConicClass['kind']
  | `${ConicClass['kind']}s`
  | 'several';

/** Whether a curve runs round, and how. */
export type Closedness = 'open' | 'ends-meet' | 'periodic' | 'closed';

/**
 * A member of the registry of facts: what it tells of a curve, of which it may know the item; `undefined` where
 * it has nothing to tell.
 */
export interface FactMember {
  (curve: Curve, item: FigureItem | undefined): FactValue | undefined;
  /** How it comes about, line by line, where it can be unfolded. */
  readonly calculation?: (curve: Curve) => readonly CalculationLine[];
  /** Whether it stands in few words below curves that are side by side, as what tells them apart. */
  readonly beside?: BesideLine;
}

/** On which line a fact stands below a curve that is side by side with another: on what it is made of, or on its comb. */
type BesideLine = (typeof besideLines)[number];

/** These lines, from above. */
export const besideLines = ['curve', 'comb'] as const;

/** A fact that tells curves apart which are side by side. */
export function beside(line: BesideLine, fact: FactMember): FactMember {
  const told = (curve: Curve, item: FigureItem | undefined): FactValue | undefined => fact(curve, item);
  return Object.assign(told, fact, { beside: line });
}

/** A fact that can be unfolded into its calculation. */
export function unfolding(
  fact: (curve: Curve, item: FigureItem | undefined) => FactValue | undefined,
  calculation: (curve: Curve) => readonly CalculationLine[],
): FactMember {
  return Object.assign((curve: Curve, item: FigureItem | undefined) => fact(curve, item), { calculation });
}
