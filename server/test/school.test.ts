import type { webcrypto } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { exportJWK, generateKeyPair, SignJWT, type JWK } from 'jose';
import { SMTPServer } from 'smtp-server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Settings } from '../src/config/settings.js';
import { TestServer, type Visitor } from './harness.js';

/** What the school says of whoever signs in next, and how it goes wrong. */
interface Saying {
  readonly sub: string;
  readonly email?: string;
  readonly email_verified?: boolean;
  readonly name?: string;
  readonly nonce?: string;
  readonly refuses?: boolean;
}

/** A small OpenID Connect provider: everybody who comes is signed in at once, as it was told. */
class School {
  saying: Saying = { sub: 'nobody' };
  issuer = '';
  private server!: Server;
  private readonly codes = new Map<string, { nonce: string; challenge: string; back: string }>();

  async start(): Promise<void> {
    const { publicKey, privateKey } = await generateKeyPair('RS256');
    const jwk: JWK = { ...(await exportJWK(publicKey)), kid: 'one', alg: 'RS256', use: 'sig' };
    this.server = createServer((request, response) => {
      const url = new URL(request.url!, this.issuer);
      const json = (value: unknown, status = 200): void => {
        response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(value));
      };
      if (url.pathname === '/.well-known/openid-configuration') {
        json({
          issuer: this.issuer,
          authorization_endpoint: `${this.issuer}/authorize`,
          token_endpoint: `${this.issuer}/token`,
          jwks_uri: `${this.issuer}/keys`,
          response_types_supported: ['code'],
          subject_types_supported: ['public'],
          id_token_signing_alg_values_supported: ['RS256'],
          code_challenge_methods_supported: ['S256'],
        });
      } else if (url.pathname === '/keys') json({ keys: [jwk] });
      else if (url.pathname === '/authorize') {
        const get = (name: string): string => url.searchParams.get(name) ?? '';
        const back = new URL(get('redirect_uri'));
        back.searchParams.set('state', get('state'));
        if (this.saying.refuses) back.searchParams.set('error', 'access_denied');
        else {
          const code = crypto.randomUUID();
          this.codes.set(code, {
            nonce: get('nonce'),
            challenge: get('code_challenge'),
            back: get('redirect_uri'),
          });
          back.searchParams.set('code', code);
        }
        response.writeHead(302, { location: back.href }).end();
      } else if (url.pathname === '/token') {
        let text = '';
        request.on('data', (part: Buffer) => (text += part.toString()));
        request.on('end', () => void this.token(new URLSearchParams(text), privateKey, json));
      } else json({}, 404);
    });
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
    this.issuer = `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }

  private async token(
    form: URLSearchParams,
    key: webcrypto.CryptoKey,
    json: (value: unknown, status?: number) => void,
  ): Promise<void> {
    const asked = this.codes.get(form.get('code') ?? '');
    this.codes.delete(form.get('code') ?? '');
    const digest = await crypto.subtle.digest(
      'SHA-256',
      new TextEncoder().encode(form.get('code_verifier') ?? ''),
    );
    if (
      !asked ||
      Buffer.from(digest).toString('base64url') !== asked.challenge ||
      form.get('redirect_uri') !== asked.back
    ) {
      json({ error: 'invalid_grant' }, 400);
      return;
    }
    const { refuses: _, nonce = asked.nonce, ...claims } = this.saying;
    const id_token = await new SignJWT({ ...claims, nonce })
      .setProtectedHeader({ alg: 'RS256', kid: 'one' })
      .setIssuer(this.issuer)
      .setAudience('bogen')
      .setIssuedAt()
      .setExpirationTime('5m')
      .sign(key);
    json({ access_token: 'x', token_type: 'Bearer', id_token });
  }

  async stop(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
  }
}

const school = new School();
const letters: { to: string; text: string }[] = [];
const post = new SMTPServer({
  authOptional: true,
  disabledCommands: ['STARTTLS'],
  onData(stream, session, done) {
    let text = '';
    stream.on('data', (part: Buffer) => (text += part.toString()));
    stream.on('end', () => {
      letters.push({ to: session.envelope.rcptTo.map(({ address }) => address).join(), text });
      done();
    });
  },
});

const settings: { -readonly [Key in keyof Settings]: Settings[Key] } = {};
beforeAll(async () => {
  await school.start();
  await new Promise<void>((resolve) => post.listen(0, '127.0.0.1', resolve));
  const { port } = post.server.address() as AddressInfo;
  settings.mail = { url: `smtp://127.0.0.1:${port}`, from: 'bogen@ellerbrook.example' };
  settings.school = {
    name: 'Ellerbrook',
    issuer: school.issuer,
    clientId: 'bogen',
    clientSecret: 'between us',
    domains: ['staff.ellerbrook.example'],
    plainHttp: true,
  };
});
afterAll(async () => {
  await school.stop();
  await new Promise<void>((resolve) => post.close(() => resolve()));
});

// It reads the settings when it starts, which is after what stands above.
const server = new TestServer('school', {}, { settings });

/** Goes to the school and back as a browser does. @returns where it ends */
async function comesBySchool(visitor: Visitor, saying: Saying, to = '/shelf'): Promise<string> {
  school.saying = saying;
  let cookie = '';
  let response = await fetch(`${server.url}/api/school-sign-in?to=${encodeURIComponent(to)}`, {
    redirect: 'manual',
  });
  for (let hop = 0; hop < 4; hop++) {
    const next = new URL(response.headers.get('location')!, response.url);
    for (const line of response.headers.getSetCookie()) cookie = line.split(';')[0]!;
    if (next.origin === server.url && !next.pathname.startsWith('/api/')) {
      visitor.cookie = cookie;
      return next.pathname + next.search;
    }
    response = await fetch(next, {
      redirect: 'manual',
      headers: next.origin === server.url ? { cookie } : {},
    });
  }
  throw new Error('it never came back');
}

describe('the school’s own sign-in', () => {
  it('lets in who was invited, and knows them again by what the school calls them', async () => {
    const administrator = await server.signedIn();
    expect(await server.visitor().call('entry')).toMatchObject({ school: 'Ellerbrook', mail: true });
    const who = { sub: 'k-1', email: 'Karl@ellerbrook.example', email_verified: true, name: 'Karl Tamm' };
    const visitor = server.visitor();
    expect(await comesBySchool(visitor, who)).toMatch(/^\/sign-in\?problem=notInvitedYet&email=karl/);
    await administrator.call('invite', { body: { email: 'karl@ellerbrook.example', role: 'administrator' } });
    expect(await comesBySchool(visitor, who, '/people')).toBe('/people');
    expect(await visitor.call('session')).toMatchObject({
      instructor: { name: 'Karl Tamm', email: 'karl@ellerbrook.example', role: 'administrator' },
    });
    expect(await visitor.call('account')).toMatchObject({ hasPassword: false, bySchool: true });
    // The address changed at the school: it is the same person.
    const again = server.visitor();
    await comesBySchool(again, { ...who, email: 'k.tamm@ellerbrook.example' });
    expect(await again.call('session')).toMatchObject({ instructor: { email: 'karl@ellerbrook.example' } });
    // Nobody signs in to it by a password; a first one can be set.
    const body = { email: 'karl@ellerbrook.example', password: 'nobody has this password' };
    expect(await server.visitor().problem('signIn', { body })).toMatchObject({ type: 'wrong-sign-in' });
    await again.call('changePassword', { body: { next: 'scraper and toothed plane' } });
    await server.visitor().call('signIn', { body: { ...body, password: 'scraper and toothed plane' } });
  });

  it('finds an account by a confirmed address only', async () => {
    const visitor = server.visitor();
    const who = { sub: 'm-1', email: 'mirela@ellerbrook.example', name: 'Somebody' };
    expect(await comesBySchool(visitor, who)).toBe('/sign-in?problem=schoolAddressMissing');
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    await comesBySchool(visitor, { ...who, email_verified: true });
    expect(await visitor.call('session')).toMatchObject({ instructor: { name: 'Mirela Kastan' } });
    // Somebody else with the same address is not let into it.
    const other = server.visitor();
    expect(await comesBySchool(other, { ...who, sub: 'm-2', email_verified: true })).toContain('problem=');
  });

  it('lets in everybody of a domain that may come without being invited', async () => {
    const visitor = server.visitor();
    await comesBySchool(visitor, {
      sub: 'n-1',
      email: 'nora@staff.ellerbrook.example',
      email_verified: true,
    });
    expect(await visitor.call('session')).toMatchObject({ instructor: { name: 'nora', role: 'instructor' } });
  });

  it('that refuses, answers another question, or is led elsewhere lets nobody in', async () => {
    const who = { sub: 'k-1', email: 'karl@ellerbrook.example', email_verified: true };
    const visitor = server.visitor();
    for (const wrong of [{ refuses: true }, { nonce: 'of somebody else' }])
      expect(await comesBySchool(visitor, { ...who, ...wrong })).toBe('/sign-in?problem=schoolSignInFailed');
    const back = await fetch(`${server.url}/api/school-sign-in/back?code=x&state=y`, { redirect: 'manual' });
    expect(back.headers.get('location')).toBe('/sign-in?problem=schoolSignInFailed');
    for (const elsewhere of ['//evil.example', 'https://evil.example', '/\\evil.example'])
      expect(await comesBySchool(server.visitor(), who, elsewhere)).toBe('/shelf');
  });

  it('is not there where it is not set up', async () => {
    const { school: kept } = settings;
    delete settings.school;
    await server.stop();
    await server.start();
    const response = await fetch(`${server.url}/api/school-sign-in`, { redirect: 'manual' });
    expect(response.headers.get('location')).toBe('/sign-in?problem=noSchoolSignIn');
    settings.school = kept;
    await server.stop();
    await server.start();
  });
});

describe('mail', () => {
  it('brings invitations and links for a new password', async () => {
    const administrator = await server.signedIn();
    const { isMailed } = await administrator.call('invite', {
      body: { email: 'olaf@ellerbrook.example', role: 'instructor' },
    });
    expect(isMailed).toBe(true);
    const token = /link#([\w-]+)/.exec(decoded(letters.at(-1)!.text))![1]!;
    const visitor = server.visitor();
    await visitor.call('useLink', { body: { token, name: 'Olaf', password: 'ebony and pear veneer' } });
    const count = letters.length;
    await server.visitor().call('forgotPassword', { body: { email: 'nobody@ellerbrook.example' } });
    await server.visitor().call('forgotPassword', { body: { email: 'Olaf@ellerbrook.example' } });
    await expect.poll(() => letters.length).toBe(count + 1);
    expect(letters.at(-1)!.to).toBe('olaf@ellerbrook.example');
    const reset = /link#([\w-]+)/.exec(decoded(letters.at(-1)!.text))![1]!;
    await server.visitor().call('useLink', { body: { token: reset, password: 'pear and ebony veneer' } });
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
  });

  it('does not fill somebody’s letter box', async () => {
    let last = 200;
    for (let k = 0; k < 8 && last === 200; k++)
      last = (await server.visitor().raw('forgotPassword', { body: { email: 'mirela@ellerbrook.example' } }))
        .status;
    expect(last).toBe(429);
  });
});

/** A letter with its line breaks of the transport taken out. */
const decoded = (text: string): string => text.replace(/=\r?\n/g, '').replace(/=3D/g, '=');
