import { z } from 'zod';
import { mostCounted } from '../limits.js';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { figureSchema } from '../figure.js';
import { id, title } from './parts.js';

/** What is told of a figure on a bench. */
const onBench = { id, name: z.string(), revision: z.int(), changedAt: z.string() };

/** Figures without a lesson. */
export const benchEndpoints = {
  bench: defineEndpoint({
    ...paths.bench,
    access: 'signedIn',
    summary: 'The figures on one’s bench, the one that was changed last first.',
    answer: z.object({ figures: z.array(z.object({ ...onBench, figure: figureSchema })) }),
  }),
  addToBench: defineEndpoint({
    ...paths.addToBench,
    access: 'signedIn',
    summary: 'Puts a figure on one’s bench.',
    body: z.strictObject({ name: title, figure: z.unknown() }),
    answer: z.object(onBench),
  }),
  benchFigure: defineEndpoint({
    ...paths.benchFigure,
    access: 'signedIn',
    summary: 'A figure of one’s bench.',
    params: z.strictObject({ figure: id }),
    answer: z.object({ ...onBench, figure: figureSchema }),
  }),
  changeBenchFigure: defineEndpoint({
    ...paths.changeBenchFigure,
    access: 'signedIn',
    summary: 'Names a figure of one’s bench, takes it away or brings it back, or keeps another state of it.',
    params: z.strictObject({ figure: id }),
    body: z.strictObject({
      name: title.optional(),
      deleted: z.boolean().optional(),
      figure: z.unknown().optional(),
      /** With a figure: the revision that it was made from. Where there is a newer one, it is refused as stale. */
      base: z.int().min(0).max(mostCounted).optional(),
    }),
    answer: z.object(onBench),
  }),
} as const;
