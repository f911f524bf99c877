import {
  choice,
  flag,
  itemId,
  nullable,
  number,
  object,
  optional,
  pair,
  whole,
  type ValueOf,
} from '../../describe/describe.js';

/** How what is shown is drawn, and what is compared with what. */
export const looksDescription = object({
  /** Length of the comb's hairs against the length that is chosen by itself. */
  combScale: optional(number({ least: 0.01, most: 100 })),
  /** Number of the comb's hairs against the number that is chosen by itself. */
  combDensity: optional(number({ least: 0.05, most: 20 })),
  /** Largest distance of a facet from the curve. */
  facetTolerance: optional(number({ unit: 'length', least: 1e-6, most: 1e4 })),
  construction: optional(choice('deBoor', 'deCasteljau')),
  /** How many levels of the construction are drawn; all where it is larger. */
  constructionLevels: optional(whole(0, 9)),
  /** Points of the construction are named by their blossom arguments. */
  blossoms: optional(flag),
  /** The item that the deviation is measured from. */
  compareWith: optional(nullable(itemId)),
  /** How many times the difference from the compared curve is drawn enlarged; not at all where it is 1. */
  enlarged: optional(number({ least: 1, most: 1e15 })),
  /** Lines lead from the curve to equal parameters of the compared curve. */
  correspondence: optional(flag),
  /** Two items, each in a pane of its own. */
  sideBySide: optional(nullable(pair(itemId))),
  /** Whether basis functions are drawn without the weights, too. */
  polynomialBasis: optional(flag),
  basisSum: optional(flag),
});
export type Looks = ValueOf<typeof looksDescription>;

/** How it is drawn where a document does not say. */
export const looksByDefault: Readonly<Required<Looks>> = {
  combScale: 1,
  combDensity: 1,
  facetTolerance: 1,
  construction: 'deBoor',
  constructionLevels: 9,
  blossoms: false,
  compareWith: null,
  enlarged: 1,
  correspondence: false,
  sideBySide: null,
  polynomialBasis: false,
  basisSum: false,
};
