import { coreSentences } from '../src/told/coreSentences.js';
import { wordMessagesBy } from '../src/told/told.js';
import fc from 'fast-check';

/**
 * How many random cases each property gets; `BOGEN_RUNS=5000 npx vitest run` looks harder. In CI the cases
 * are the same each time, so that a change is judged by itself; everywhere else they are new ones, or those of
 * `BOGEN_SEED`. `npm run prove` looks harder for an hour.
 */
const seed = process.env['BOGEN_SEED'] ?? (process.env['CI'] ? '20261124' : undefined);

fc.configureGlobal({
  numRuns: Number(process.env['BOGEN_RUNS'] ?? 150),
  ...(seed ? { seed: Number(seed) } : {}),
});

// Tests read what errors say in English.
wordMessagesBy(coreSentences);
