import { demoClass, instructor } from '@bogen/demo';
import { describe, expect, it } from 'vitest';
import { readProblem, TestServer } from './harness.js';

const server = new TestServer('session');
const right = { email: instructor.email, password: instructor.password };

describe('signing in', () => {
  it('sets a cookie that scripts and other sites do not get, and signing out ends the session', async () => {
    const visitor = server.visitor();
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    const response = await visitor.fetch('/sign-in', {
      method: 'POST',
      body: JSON.stringify({ ...right, email: ` ${right.email.toUpperCase()} ` }),
      headers: { 'content-type': 'application/json' },
    });
    expect(response.status).toBe(200);
    const [cookie] = response.headers.getSetCookie();
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Lax/);
    expect(await visitor.call('session')).toMatchObject({
      who: 'instructor',
      instructor: { name: instructor.name },
    });
    const old = visitor.cookie;
    await visitor.call('signOut', { body: {} });
    visitor.cookie = old;
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
  });

  it('keeps neither passwords nor tokens readable in the database', async () => {
    const visitor = await server.signedIn();
    const rows = await server.db.selectFrom('session').select('token_hash').execute();
    expect(rows.some(({ token_hash }) => visitor.cookie.includes(token_hash))).toBe(false);
    const account = await server.db.selectFrom('instructor').selectAll().executeTakeFirstOrThrow();
    expect(account.password_hash).toMatch(/^\$argon2id\$/);
  });

  it('tells a wrong password and an unknown address in the same words', async () => {
    const visitor = server.visitor();
    const wrong = await visitor.problem('signIn', { body: { ...right, password: 'guess' } });
    const unknown = await visitor.problem('signIn', {
      body: { ...right, email: 'nobody@ellerbrook.example' },
    });
    expect(wrong).toMatchObject({ type: 'wrong-sign-in', status: 401 });
    expect(unknown).toEqual(wrong);
  });

  it('ends when its time is over', async () => {
    const visitor = await server.signedIn();
    await server.db
      .updateTable('session')
      .set({ expires_at: new Date(Date.now() - 1000) })
      .execute();
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    expect(await visitor.problem('shelf')).toMatchObject({ type: 'not-signed-in', status: 401 });
  });
});

describe('joining a class', () => {
  it('takes the code as people type it and gives a return key that works elsewhere', async () => {
    const first = server.visitor();
    const { student, returnKey } = await first.call('join', {
      body: { code: ' bout 7k4m', name: '  Oda Finch ' },
    });
    expect(student).toMatchObject({ name: 'Oda Finch', className: demoClass.name });
    const second = server.visitor();
    await second.call('comeBack', {
      body: { code: demoClass.code, returnKey: returnKey.toLowerCase().replaceAll('-', ' ') },
    });
    expect(await second.call('session')).toMatchObject({ who: 'student', student: { id: student.id } });
    expect(
      (await server.db.selectFrom('student').select('return_key_hash').execute()).map(
        (row) => row.return_key_hash,
      ),
    ).not.toContain(returnKey);
  });

  it('lets a student replace the return key', async () => {
    const visitor = server.visitor();
    const { returnKey: old } = await visitor.call('join', {
      body: { code: demoClass.code, name: 'Perrin Ash' },
    });
    const { returnKey } = await visitor.call('newReturnKey', { body: {} });
    const elsewhere = server.visitor();
    expect(
      await elsewhere.problem('comeBack', { body: { code: demoClass.code, returnKey: old } }),
    ).toMatchObject({ type: 'wrong-return-key' });
    await elsewhere.call('comeBack', { body: { code: demoClass.code, returnKey } });
  });

  it('says what is wrong with a code, a key, or a name', async () => {
    const visitor = server.visitor();
    expect(await visitor.problem('join', { body: { code: 'NOPE-0000', name: 'A' } })).toMatchObject({
      type: 'wrong-class-code',
      status: 404,
    });
    expect(
      await visitor.problem('comeBack', { body: { code: demoClass.code, returnKey: 'x' } }),
    ).toMatchObject({ type: 'wrong-return-key', status: 401 });
    expect(
      await visitor.problem('join', { body: { code: demoClass.code, name: 'anouk tessel' } }),
    ).toMatchObject({ type: 'name-taken', status: 409 });
    expect(await visitor.problem('join', { body: { code: demoClass.code, name: '   ' } })).toMatchObject({
      type: 'bad-request',
      status: 400,
    });
  });
});

describe('the doors', () => {
  it('keep each to their own', async () => {
    const nobody = server.visitor();
    const student = await server.student('Quill Marsh');
    const teacher = await server.signedIn();
    expect(await nobody.problem('shelf')).toMatchObject({ type: 'not-signed-in' });
    expect(await student.problem('shelf')).toMatchObject({ type: 'not-allowed', status: 403 });
    expect(await teacher.problem('classHome')).toMatchObject({ type: 'not-allowed' });
  });

  it('refuse requests that come from other sites or are no JSON', async () => {
    const visitor = await server.signedIn();
    const post = (headers: Record<string, string>) =>
      visitor.fetch('/sign-out', { method: 'POST', body: '{}', headers });
    const json = { 'content-type': 'application/json' };
    expect(await readProblem(await post({ ...json, origin: 'http://elsewhere.example' }))).toMatchObject({
      type: 'foreign-origin',
      status: 403,
    });
    expect(await readProblem(await post({ ...json, origin: 'null' }))).toMatchObject({
      type: 'foreign-origin',
    });
    expect(await readProblem(await post({ ...json, 'sec-fetch-site': 'cross-site' }))).toMatchObject({
      type: 'foreign-origin',
    });
    expect(await readProblem(await post({ 'content-type': 'text/plain' }))).toMatchObject({
      type: 'bad-request',
    });
    expect(await visitor.call('session')).toMatchObject({ who: 'instructor' });
  });

  it('make the next guess at a password wait longer and longer, for every server on this database', async () => {
    const visitor = server.visitor();
    const wrong = { ...right, password: 'a guess' };
    const answers = await Promise.all(
      Array.from({ length: 30 }, () => visitor.problem('signIn', { body: wrong })),
    );
    const tried = answers.filter(({ type }) => type === 'wrong-sign-in').length;
    expect(tried).toBeGreaterThan(0);
    expect(tried).toBeLessThanOrEqual(8);
    // However long it takes to start again, the wait is not over.
    await server.db
      .updateTable('guess')
      .set({ waits_until: new Date(Date.now() + 60_000) })
      .where('key', 'like', `sign-in:${right.email}:%`)
      .execute();
    await server.stop();
    await server.start();
    // Even the right password waits, so that a guess is not told from a refusal.
    const refused = await visitor.problem('signIn', { body: right });
    expect(refused).toMatchObject({ type: 'too-many-requests', status: 429 });
    expect(refused.retryAfter).toBeGreaterThan(0);
    // Another account is not held up by it.
    await server.stranger();
    await server.db
      .updateTable('guess')
      .set({ waits_until: new Date(0) })
      .execute();
    await visitor.call('signIn', { body: right });
    // After a success nothing is held against the account.
    expect(await visitor.problem('signIn', { body: wrong })).toMatchObject({ type: 'wrong-sign-in' });
    expect(await visitor.problem('signIn', { body: wrong })).toMatchObject({ type: 'wrong-sign-in' });
  });

  it('let a large class join, mistype and save behind one address, and its instructor sign in', async () => {
    const names = Array.from({ length: 200 }, (_, k) => `Pupil ${k}`);
    const joined = await Promise.all(
      names.map(async (name) => {
        const visitor = server.visitor();
        await visitor.problem('join', { body: { code: 'MISTYPED', name } });
        await visitor.call('join', { body: { code: demoClass.code, name } });
        return visitor;
      }),
    );
    await server.signedIn();
    // Forty of them save every 0.7 seconds for a minute: some 90 requests each.
    const home = await Promise.all(
      joined.slice(0, 40).map(async (visitor) => {
        for (let k = 0; k < 90; k++) expect((await visitor.fetch('/session')).status).toBe(200);
        return visitor.call('classHome');
      }),
    );
    expect(home).toHaveLength(40);
  }, 60_000);

  it('stop guessing at return keys', async () => {
    const visitor = server.visitor();
    let type = '';
    for (let guess = 0; guess < 500 && type !== 'too-many-requests'; guess += 25) {
      const answers = await Promise.all(
        Array.from({ length: 25 }, (_, k) =>
          visitor.problem('comeBack', { body: { code: demoClass.code, returnKey: `NO-${guess + k}` } }),
        ),
      );
      type = answers.at(-1)!.type;
    }
    expect(type).toBe('too-many-requests');
    await server.db.deleteFrom('guess').execute();
  });
});
