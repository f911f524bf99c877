import { z } from 'zod';
import { auditActions } from '../audit.js';
import { defineEndpoint } from '../endpoint.js';
import { paths } from '../paths.js';
import { email, role } from './account.js';
import { id, nothing } from './parts.js';

const link = z.object({
  /** The whole address; it is shown only now. */
  address: z.string(),
  until: z.string(),
  /** Whether it went out by mail too. */
  isMailed: z.boolean(),
});

/** Who works here, for administrators. */
export const peopleEndpoints = {
  people: defineEndpoint({
    ...paths.people,
    access: 'administrator',
    summary: 'All instructors, and who is invited.',
    answer: z.object({
      people: z.array(
        z.object({
          id,
          name: z.string(),
          email: z.string(),
          role,
          courses: z.int(),
          seen: z.string().nullable(),
          isDemo: z.boolean(),
        }),
      ),
      invitations: z.array(
        z.object({ id, email: z.string(), role, until: z.string(), by: z.string().nullable() }),
      ),
    }),
  }),
  invite: defineEndpoint({
    ...paths.invite,
    access: 'administrator',
    summary: 'Makes a link with which somebody makes an account, once and within seven days.',
    body: z.strictObject({ email, role }),
    answer: link,
  }),
  withdrawInvitation: defineEndpoint({
    ...paths.withdrawInvitation,
    access: 'administrator',
    summary: 'Ends an invitation.',
    params: z.strictObject({ invitation: id }),
    body: nothing,
    answer: nothing,
  }),
  changePerson: defineEndpoint({
    ...paths.changePerson,
    access: 'administrator',
    summary: 'Gives an instructor another role.',
    params: z.strictObject({ person: id }),
    body: z.strictObject({ role }),
    answer: nothing,
  }),
  makeResetLink: defineEndpoint({
    ...paths.makeResetLink,
    access: 'administrator',
    summary: 'Makes a link with which an instructor sets a password anew, once and within a day.',
    params: z.strictObject({ person: id }),
    body: nothing,
    answer: link,
  }),
  erasePerson: defineEndpoint({
    ...paths.erasePerson,
    access: 'administrator',
    summary: 'Erases an instructor; the courses go to another, or are deleted with everything in them.',
    params: z.strictObject({ person: id }),
    body: z.strictObject({ coursesTo: id.nullable(), name: z.string().max(200) }),
    answer: nothing,
  }),
  audit: defineEndpoint({
    ...paths.audit,
    access: 'administrator',
    summary: 'Who did what to whom, the newest first.',
    query: z.strictObject({ before: z.coerce.number().int().min(1).optional() }),
    answer: z.object({
      entries: z.array(
        z.object({
          number: z.int(),
          at: z.string(),
          by: z.string().nullable(),
          action: z.enum(auditActions),
          /** Whom or what it was done to. */
          to: z.string().nullable(),
          /** What else belongs to it, such as a new name. */
          with: z.string().nullable(),
        }),
      ),
      isMore: z.boolean(),
    }),
  }),
} as const;
