import { toldByServer } from '@bogen/contract';
import { Router } from 'express';
import * as oidc from 'openid-client';
import type { Logger } from 'pino';
import { z } from 'zod';
import { record } from '../audit/record.js';
import type { Settings } from '../config/settings.js';
import type { Db } from '../db/connect.js';
import { baseOf } from '../http/base.js';
import { HttpProblem } from '../http/problem.js';
import { startSession } from '../http/session.js';
import { insertAccount, type Account } from './own.js';

/** What the browser brings back, so that an answer of the school belongs to the question that was asked here. */
const asked = z.object({ state: z.string(), nonce: z.string(), verifier: z.string(), to: z.string() });
const cookieName = 'bogen-school';
const patience = 10 * 60 * 1000;

/** What the school says of somebody. */
interface Claims {
  readonly issuer: string;
  readonly subject: string;
  readonly email: string | undefined;
  readonly name: string | undefined;
}

/**
 * Signing in by the school's own OpenID Connect provider: the code flow with PKCE. Who comes is known again by what
 * the school calls them; the first time they are found by their confirmed address, as an account, as somebody invited,
 * or as one of a domain whose people may come without being invited.
 */
export function schoolRouter(db: Db, settings: Settings, log: Logger): Router {
  const router = Router();
  const { school } = settings;
  let discovered: Promise<oidc.Configuration> | undefined;
  const provider = (): Promise<oidc.Configuration> => {
    if (!school) throw new HttpProblem('not-found', toldByServer('noSchoolSignIn'));
    discovered ??= oidc
      .discovery(new URL(school.issuer), school.clientId, school.clientSecret, undefined, {
        timeout: 10,
        ...(school.plainHttp ? { execute: [oidc.allowInsecureRequests] } : {}),
      })
      .catch((error: unknown) => {
        // A school that can't be reached now is asked again by the next one who comes.
        discovered = undefined;
        throw error;
      });
    return discovered;
  };
  const redirect_uri = (base: string): string => `${base}/api/school-sign-in/back`;

  // Both of these answer with a way to go and not with JSON, and so stand outside the contract.
  router.get('/school-sign-in', async (request, response) => {
    try {
      const configuration = await provider();
      const verifier = oidc.randomPKCECodeVerifier();
      const question = {
        state: oidc.randomState(),
        nonce: oidc.randomNonce(),
        verifier,
        to: ownPlace(request.query['to']),
      };
      response.cookie(cookieName, Buffer.from(JSON.stringify(question)).toString('base64url'), {
        httpOnly: true,
        sameSite: 'lax',
        secure: request.secure,
        path: '/api/school-sign-in',
        maxAge: patience,
      });
      const address = oidc.buildAuthorizationUrl(configuration, {
        redirect_uri: redirect_uri(baseOf(settings, request)),
        scope: 'openid email profile',
        code_challenge: await oidc.calculatePKCECodeChallenge(verifier),
        code_challenge_method: 'S256',
        state: question.state,
        nonce: question.nonce,
      });
      response.redirect(address.href);
    } catch (error) {
      response.redirect(whereProblemsAreTold(asProblem(error)));
    }
  });

  router.get('/school-sign-in/back', async (request, response) => {
    response.clearCookie(cookieName, { path: '/api/school-sign-in' });
    try {
      const question = readQuestion(request.get('cookie'));
      const base = baseOf(settings, request);
      const tokens = await oidc.authorizationCodeGrant(
        await provider(),
        new URL(request.originalUrl, base),
        {
          pkceCodeVerifier: question.verifier,
          expectedState: question.state,
          expectedNonce: question.nonce,
          idTokenExpected: true,
        },
        { redirect_uri: redirect_uri(base) },
      );
      const claims = tokens.claims()!;
      const account = await accountOf({
        issuer: claims.iss,
        subject: claims.sub,
        // An address that was not confirmed could be anybody's.
        email: claims['email_verified'] === true ? String(claims['email']).toLowerCase() : undefined,
        name: typeof claims['name'] === 'string' ? claims['name'].trim().slice(0, 80) : undefined,
      });
      await startSession(db, request, response, { instructor: account.id });
      await record(db, account, 'signedIn', null, school?.name);
      response.redirect(question.to);
    } catch (error) {
      response.redirect(whereProblemsAreTold(asProblem(error)));
    }
  });

  return router;

  function asProblem(error: unknown): HttpProblem {
    if (error instanceof HttpProblem) return error;
    log.warn(
      { reason: error instanceof Error ? error.message : String(error) },
      'sign-in by the school failed',
    );
    return new HttpProblem('wrong-sign-in', toldByServer('schoolSignInFailed'));
  }

  function accountOf({ issuer, subject, email, name }: Claims): Promise<Account> {
    return db.transaction().execute(async (tx) => {
      const fields = ['id', 'name', 'email', 'role'] as const;
      const known = await tx
        .selectFrom('instructor')
        .where('issuer', '=', issuer)
        .where('subject', '=', subject)
        .select(fields)
        .executeTakeFirst();
      if (known) return known;
      if (!email) throw new HttpProblem('refused', toldByServer('schoolAddressMissing'));
      const sameAddress = await tx
        .updateTable('instructor')
        .set({ issuer, subject })
        .where('email', '=', email)
        .where('subject', 'is', null)
        .returning(fields)
        .executeTakeFirst();
      if (sameAddress) {
        await record(tx, sameAddress, 'accountChanged', sameAddress, school!.name);
        return sameAddress;
      }
      const invitation = await tx
        .deleteFrom('link')
        .where('kind', '=', 'invitation')
        .where('email', '=', email)
        .where('expires_at', '>', new Date())
        .returning('role')
        .executeTakeFirst();
      if (!invitation && !school!.domains.includes(email.split('@')[1]!))
        throw new HttpProblem('refused', toldByServer('notInvitedYet', { email }));
      const made = await insertAccount(tx, {
        email,
        name: name || email.split('@')[0]!,
        password_hash: null,
        role: invitation?.role ?? 'instructor',
        issuer,
        subject,
      });
      await record(tx, made, 'accountMade', made, school!.name);
      return made;
    });
  }
}

/** Where to go afterwards: only ever a place of our own. */
const ownPlace = (to: unknown): string =>
  typeof to === 'string' && /^\/(?![/\\])[\x21-\x7e]*$/.test(to) ? to : '/shelf';

/** The sign-in page says what went wrong, by the code of its sentence. */
function whereProblemsAreTold({ problem }: HttpProblem): string {
  const { code, parameters } = problem.told;
  return `/sign-in?${new URLSearchParams({ problem: code, ...(parameters as Record<string, string>) }).toString()}`;
}

function readQuestion(cookies: string | undefined): z.infer<typeof asked> {
  const own = cookies
    ?.split(';')
    .map((cookie) => cookie.trim())
    .find((cookie) => cookie.startsWith(`${cookieName}=`));
  try {
    const text = Buffer.from(own?.slice(cookieName.length + 1) ?? '', 'base64url').toString('utf8');
    const question = asked.parse(JSON.parse(text));
    return { ...question, to: ownPlace(question.to) };
  } catch {
    throw new HttpProblem('wrong-sign-in', toldByServer('schoolSignInFailed'));
  }
}
