import { z } from 'zod';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { id, nothing } from './parts.js';

const instructor = z.object({ id, name: z.string(), email: z.string() });
const student = z.object({ id, name: z.string(), classId: id, className: z.string(), classCode: z.string() });
const session = z.discriminatedUnion('who', [
  z.object({ who: z.literal('nobody') }),
  z.object({ who: z.literal('instructor'), instructor }),
  z.object({ who: z.literal('student'), student }),
]);

/** Who one is: signing in, joining a class, coming back. */
export const accountEndpoints = {
  session: defineEndpoint({
    ...paths.session,
    access: 'anyone',
    summary: 'Who is signed in.',
    answer: session,
  }),
  signIn: defineEndpoint({
    ...paths.signIn,
    access: 'anyone',
    summary: 'Signs an instructor in.',
    body: z.strictObject({ email: z.string().max(200), password: z.string().max(200) }),
    answer: session,
  }),
  signOut: defineEndpoint({
    ...paths.signOut,
    access: 'anyone',
    summary: 'Ends the session.',
    body: nothing,
    answer: nothing,
  }),
  join: defineEndpoint({
    ...paths.join,
    access: 'anyone',
    summary: 'Makes a student of a class and signs them in.',
    body: z.strictObject({ code: z.string().max(40), name: z.string().trim().min(1).max(60) }),
    answer: z.object({ student, returnKey: z.string() }),
  }),
  comeBack: defineEndpoint({
    ...paths.comeBack,
    access: 'anyone',
    summary: 'Signs a student in again with their return key.',
    body: z.strictObject({ code: z.string().max(40), returnKey: z.string().max(40) }),
    answer: z.object({ student }),
  }),
  newReturnKey: defineEndpoint({
    ...paths.newReturnKey,
    access: 'student',
    summary: 'Makes a new return key; the old one ends.',
    body: nothing,
    answer: z.object({ returnKey: z.string() }),
  }),
} as const;
