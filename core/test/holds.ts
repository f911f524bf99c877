import fc from 'fast-check';
import { casesOf, seeds } from '../../scripts/test/size.mjs';

/** How many cases a property is looked at with, unless its test names another number. */
const usual = 150;

type Parameters = Pick<fc.Parameters, 'numRuns' | 'endOnFailure' | 'interruptAfterTimeLimit'> & {
  /** How many cases the short run looks at as well, since the test counts what it found among them. */
  readonly least?: number;
};

/** What a property is checked with, seed by seed; see `scripts/test/size.mjs`. */
const runsOf = ({ numRuns = usual, least, ...parameters }: Parameters) =>
  seeds.map(({ seed, share }) => ({
    ...parameters,
    seed,
    numRuns: Math.max(1, Math.round(casesOf(numRuns, least) * share)),
  }));

/**
 * Checks a property on random cases, as fast-check does; `numRuns` is the number of cases at full size.
 * @throws with the smallest case that fails, and the seed by which it comes again
 */
export function holds<T>(property: fc.IProperty<T>, parameters?: Parameters): void;
export function holds<T>(property: fc.IAsyncProperty<T>, parameters?: Parameters): Promise<void>;
export function holds<T>(
  property: fc.IProperty<T> | fc.IAsyncProperty<T>,
  parameters: Parameters = {},
): void | Promise<void> {
  if (!property.isAsync()) {
    for (const run of runsOf(parameters)) fc.assert(property as fc.IProperty<T>, run);
    return;
  }
  return runsOf(parameters).reduce<Promise<void>>(
    (before, run) => before.then(() => fc.assert(property as fc.IAsyncProperty<T>, run)),
    Promise.resolve(),
  );
}
