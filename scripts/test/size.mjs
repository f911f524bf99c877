import process from 'node:process';

/**
 * How much the random and hostile runs look at, set here for all tests: `BOGEN_CASES` is the share of the cases that a
 * test names. `npm test` looks at a fifth of them, `npm run prove` and `npm run prove:all` at all of them and more.
 */
const share = Number(process.env.BOGEN_CASES ?? 0.2);

/** Whether everything is looked at, and not the short form of it. */
export const isFull = share >= 1;

/** How many cases are looked at where a test names a number of them; at least `least`. */
export const casesOf = (number, least = 4) => Math.max(Math.min(least, number), Math.ceil(number * share));

/**
 * The seeds that random cases begin with, each with its share of the cases. A run that is given one by `BOGEN_SEED` takes
 * that alone. Otherwise most cases are the same each time, so that a change is judged by itself, and some are new; a
 * failure names the seed. In CI all are the same, until a night of `npm run prove` finds nothing any more: a new seed there
 * would refuse a change for a fault that it did not make.
 */
export const seeds = process.env.BOGEN_SEED
  ? [{ seed: Number(process.env.BOGEN_SEED), share: 1 }]
  : process.env.CI
    ? [{ seed: 20261124, share: 1 }]
    : [
        { seed: 20261124, share: 0.75 },
        { seed: Number(process.env.BOGEN_NEW_SEED ?? Math.floor(Math.random() * 2 ** 31)), share: 0.25 },
      ];

/**
 * Which of a number of things the short run looks at, where it looks at one alone: a different one each day, so that all have
 * their turn, and the same for a whole day, so that a run can be repeated.
 */
export const oneOf = (number) => Math.floor(Date.now() / 86_400_000) % number;
