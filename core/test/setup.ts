import fc from 'fast-check';

/** How many random cases each property gets; `BOGEN_RUNS=5000 npx vitest run` looks harder. */
fc.configureGlobal({ numRuns: Number(process.env['BOGEN_RUNS'] ?? 150) });
