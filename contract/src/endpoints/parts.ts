import { z } from 'zod';
import { figureSchema } from '../figure.js';

/** What the schemas of several endpoints share. */

export const id = z.uuid();
export const nothing = z.object({});
export const title = z.string().trim().min(1).max(200);
export const partId = z.string().min(1).max(64);
/** A term of a course's own, as it is given and as it is read. */
export const termGiven = {
  term: z.string().trim().min(1).max(80),
  sentence: z.string().trim().min(1).max(600),
};
export const term = z.object({ id, ...termGiven, figure: figureSchema.nullable() });
/** How far a student is with a sheet. A sheet without a task is done when it has been opened. */
export const progress = z.enum(['unopened', 'opened', 'begun', 'tried', 'done']);
