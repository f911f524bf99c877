import { z } from 'zod';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { passwordLimits } from '../limits.js';
import { id, nothing } from './parts.js';

export const roles = ['administrator', 'instructor'] as const;
export const role = z.enum(roles);
/** An email address, as an account is known by. Small and capital letters are the same. */
export const email = z
  .string()
  .trim()
  .toLowerCase()
  .max(200)
  .regex(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, 'this is not an email address');
const personName = z.string().trim().min(1).max(80);
const password = z.string().max(passwordLimits.most);
const instructor = z.object({ id, name: z.string(), email: z.string(), role });
const student = z.object({
  id,
  name: z.string(),
  classId: id,
  className: z.string(),
  classCode: z.string(),
  /** Whether the class is closed, so that its students only look. */
  closed: z.boolean(),
});
const session = z.discriminatedUnion('who', [
  z.object({ who: z.literal('nobody') }),
  z.object({ who: z.literal('instructor'), instructor }),
  z.object({ who: z.literal('student'), student }),
]);
const newAccount = { name: personName, password };
/** The secret part of a link, which stands behind the # of its address, so that it is in no log. */
const token = z.string().max(100);

/** Who one is: signing in, joining a class, coming back; and an instructor's own account. */
export const accountEndpoints = {
  session: defineEndpoint({
    ...paths.session,
    access: 'anyone',
    summary: 'Who is signed in.',
    answer: session,
  }),
  entry: defineEndpoint({
    ...paths.entry,
    access: 'anyone',
    summary: 'How one can come in here.',
    answer: z.object({
      /** Nobody has an account yet; the first is made with the code on the console. */
      first: z.boolean(),
      /** The account of the demo data, where it is here. */
      demo: z.object({ email: z.string(), password: z.string() }).nullable(),
      /** The name of the school’s own sign-in, where it is set up. */
      school: z.string().nullable(),
      /** Whether a forgotten password can be set anew by mail. */
      mail: z.boolean(),
    }),
  }),
  makeFirstAccount: defineEndpoint({
    ...paths.makeFirstAccount,
    access: 'anyone',
    summary: 'Makes the first account, an administrator, with the code from the console.',
    body: z.strictObject({ code: z.string().max(40), email, ...newAccount }),
    answer: session,
  }),
  signIn: defineEndpoint({
    ...paths.signIn,
    access: 'anyone',
    summary: 'Signs an instructor in.',
    body: z.strictObject({ email: z.string().max(200), password }),
    answer: session,
  }),
  signOut: defineEndpoint({
    ...paths.signOut,
    access: 'anyone',
    summary: 'Ends the session.',
    body: nothing,
    answer: nothing,
  }),
  forgotPassword: defineEndpoint({
    ...paths.forgotPassword,
    access: 'anyone',
    summary:
      'Sends a link by mail with which a password is set anew. The answer does not tell who has an account.',
    body: z.strictObject({ email }),
    answer: nothing,
  }),
  readLink: defineEndpoint({
    ...paths.readLink,
    access: 'anyone',
    summary: 'What a link of an invitation or for a new password is for.',
    body: z.strictObject({ token }),
    answer: z.object({
      kind: z.enum(['invitation', 'reset']),
      email: z.string(),
      /** Of whoever has the account already. */
      name: z.string().nullable(),
      until: z.string(),
    }),
  }),
  useLink: defineEndpoint({
    ...paths.useLink,
    access: 'anyone',
    summary: 'Makes the account of an invitation, or sets a password anew; the link ends.',
    body: z.strictObject({ token, name: personName.optional(), password }),
    answer: session,
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
  account: defineEndpoint({
    ...paths.account,
    access: 'instructor',
    summary: 'The instructor’s own account and where it is signed in.',
    answer: z.object({
      name: z.string(),
      email: z.string(),
      role,
      hasPassword: z.boolean(),
      /** Whether it signs in by the school’s own sign-in. */
      bySchool: z.boolean(),
      sessions: z.array(
        z.object({
          id,
          /** What the browser says that it is. */
          browser: z.string(),
          since: z.string(),
          seen: z.string(),
          isThis: z.boolean(),
        }),
      ),
    }),
  }),
  changeAccount: defineEndpoint({
    ...paths.changeAccount,
    access: 'instructor',
    summary: 'Changes the name or, with the password, the address.',
    body: z.strictObject({
      name: personName.optional(),
      email: email.optional(),
      password: password.optional(),
    }),
    answer: nothing,
  }),
  changePassword: defineEndpoint({
    ...paths.changePassword,
    access: 'instructor',
    summary: 'Sets another password; all other sessions end.',
    body: z.strictObject({ password: password.optional(), next: password }),
    answer: nothing,
  }),
  endSessions: defineEndpoint({
    ...paths.endSessions,
    access: 'instructor',
    summary: 'Ends one of the instructor’s sessions, or all but this one.',
    body: z.strictObject({ id: id.optional() }),
    answer: nothing,
  }),
  ownData: defineEndpoint({
    ...paths.ownData,
    access: 'signedIn',
    summary: 'All that is kept of whoever asks, as one JSON document.',
    answer: z.unknown(),
  }),
  eraseOwnData: defineEndpoint({
    ...paths.eraseOwnData,
    access: 'signedIn',
    summary: 'Erases whoever asks with all that is kept of them, at once and for good.',
    body: z.strictObject({ name: z.string().max(200) }),
    answer: nothing,
  }),
} as const;
