import { z } from 'zod';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { id, nothing, term, termGiven } from './parts.js';

/** Terms of a course’s own. */
export const glossaryEndpoints = {
  terms: defineEndpoint({
    ...paths.terms,
    access: 'instructor',
    summary: 'The terms that a course has besides those that every course has.',
    params: z.strictObject({ course: id }),
    answer: z.object({ terms: z.array(term) }),
  }),
  addTerm: defineEndpoint({
    ...paths.addTerm,
    access: 'instructor',
    summary: 'Adds a term to the glossary of a course.',
    params: z.strictObject({ course: id }),
    body: z.strictObject({ ...termGiven, figure: z.unknown().optional() }),
    answer: z.object({ id }),
  }),
  changeTerm: defineEndpoint({
    ...paths.changeTerm,
    access: 'instructor',
    summary: 'Changes a term of a course; without a figure it keeps the one that it has.',
    params: z.strictObject({ course: id, term: id }),
    body: z.strictObject({ ...termGiven, figure: z.unknown().optional() }),
    answer: nothing,
  }),
  removeTerm: defineEndpoint({
    ...paths.removeTerm,
    access: 'instructor',
    summary: 'Takes a term out of the glossary of a course.',
    params: z.strictObject({ course: id, term: id }),
    body: nothing,
    answer: nothing,
  }),
} as const;
