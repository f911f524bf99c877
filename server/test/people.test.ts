import { endpoints } from '@bogen/contract';
import { emptyFigure } from '@bogen/core/figure';
import { instructor as demoInstructor } from '@bogen/demo';
import { hash } from '@node-rs/argon2';
import { describe, expect, it } from 'vitest';
import { newFirstCode } from '../src/account/firstCode.js';
import { isCommon } from '../src/account/password.js';
import { TestServer, type Visitor } from './harness.js';

const server = new TestServer('people');
const empty = new TestServer('people_empty', {}, { demo: false });
const good = 'rosin and boxwood shavings';

const tokenOf = (address: string): string => address.split('#')[1]!;

/** Invites somebody and lets them make their account. */
async function invited(
  administrator: Visitor,
  email: string,
  role: 'administrator' | 'instructor' = 'instructor',
): Promise<Visitor> {
  const { address } = await administrator.call('invite', { body: { email, role } });
  const visitor = server.visitor();
  await visitor.call('useLink', {
    body: { token: tokenOf(address), name: email.split('@')[0]!, password: good },
  });
  return visitor;
}

const idOf = async (visitor: Visitor): Promise<string> => {
  const session = await visitor.call('session');
  if (session.who !== 'instructor') throw new Error('nobody is signed in');
  return session.instructor.id;
};

describe('the first account', () => {
  it('is made once, by whoever reads the console, and is an administrator', async () => {
    const visitor = empty.visitor();
    expect(await visitor.call('entry')).toMatchObject({ first: true, demo: null, school: null });
    const code = (await newFirstCode(empty.db))!;
    const body = { email: 'Head@Ellerbrook.example ', name: 'Head', password: good };
    expect(
      await visitor.problem('makeFirstAccount', { body: { ...body, code: 'AAAA-BBBB-CCCC' } }),
    ).toMatchObject({
      type: 'wrong-code',
    });
    expect(
      await visitor.problem('makeFirstAccount', { body: { ...body, code, password: 'short' } }),
    ).toMatchObject({
      type: 'refused',
    });
    // Of two at the same moment one is first.
    const both = await Promise.all(
      ['a', 'b'].map((name) =>
        empty
          .visitor()
          .raw('makeFirstAccount', { body: { ...body, email: `${name}@ellerbrook.example`, code } }),
      ),
    );
    expect(both.map(({ status }) => status).toSorted()).toEqual([200, 422]);
    expect(await visitor.call('entry')).toMatchObject({ first: false });
    expect(await newFirstCode(empty.db)).toBeUndefined();
    expect(await visitor.problem('makeFirstAccount', { body: { ...body, code } })).toMatchObject({
      type: 'refused',
    });
    const [account] = await empty.db.selectFrom('instructor').selectAll().execute();
    expect(account).toMatchObject({ role: 'administrator', is_demo: false });
  });

  it('is not needed where the demo is, which says so until its password is another', async () => {
    expect(await server.visitor().call('entry')).toMatchObject({
      first: false,
      demo: { email: demoInstructor.email, password: demoInstructor.password },
    });
    await server.db.updateTable('instructor').set({ is_demo: false }).execute();
    expect(await server.visitor().call('entry')).toMatchObject({ demo: null });
    await server.db
      .updateTable('instructor')
      .set({ is_demo: true })
      .where('email', '=', demoInstructor.email)
      .execute();
  });
});

describe('an invitation', () => {
  it('makes one account, with the role it was made for', async () => {
    const administrator = await server.signedIn();
    const { address, isMailed } = await administrator.call('invite', {
      body: { email: 'Ada@Ellerbrook.example', role: 'instructor' },
    });
    expect(isMailed).toBe(false);
    expect(address).toMatch(/^http:\/\/127\.0\.0\.1:\d+\/link#/);
    const token = tokenOf(address);
    const visitor = server.visitor();
    expect(await visitor.call('readLink', { body: { token } })).toMatchObject({
      kind: 'invitation',
      email: 'ada@ellerbrook.example',
      name: null,
    });
    expect(await visitor.problem('useLink', { body: { token, password: good } })).toMatchObject({
      type: 'refused',
    });
    expect(
      await visitor.problem('useLink', { body: { token, name: 'Ada', password: 'ada@ellerbrook.example' } }),
    ).toMatchObject({ type: 'refused' });
    const both = await Promise.all(
      [0, 1].map(() => server.visitor().raw('useLink', { body: { token, name: 'Ada', password: good } })),
    );
    expect(both.map(({ status }) => status).toSorted()).toEqual([200, 404]);
    expect(await visitor.problem('readLink', { body: { token } })).toMatchObject({ type: 'not-found' });
    await visitor.call('signIn', { body: { email: 'ada@ellerbrook.example', password: good } });
    expect(await visitor.problem('people')).toMatchObject({ type: 'not-allowed' });
    expect(
      await administrator.problem('invite', {
        body: { email: 'ada@ellerbrook.example', role: 'instructor' },
      }),
    ).toMatchObject({ type: 'name-taken' });
  });

  it('ends after seven days, when it is withdrawn, and when another takes its place', async () => {
    const administrator = await server.signedIn();
    const invite = async () =>
      tokenOf(
        (
          await administrator.call('invite', {
            body: { email: 'late@ellerbrook.example', role: 'instructor' },
          })
        ).address,
      );
    const first = await invite();
    const second = await invite();
    const visitor = server.visitor();
    expect(await visitor.problem('readLink', { body: { token: first } })).toMatchObject({
      type: 'not-found',
    });
    const { until } = await visitor.call('readLink', { body: { token: second } });
    expect((Date.parse(until) - Date.now()) / 86_400_000).toBeCloseTo(7, 2);
    await server.db
      .updateTable('link')
      .set({ expires_at: new Date(Date.now() - 1000) })
      .where('email', '=', 'late@ellerbrook.example')
      .execute();
    expect(await visitor.problem('readLink', { body: { token: second } })).toMatchObject({
      type: 'not-found',
    });
    const third = await invite();
    const { invitations } = await administrator.call('people');
    const { id } = invitations.find(({ email }) => email === 'late@ellerbrook.example')!;
    await administrator.call('withdrawInvitation', { params: { invitation: id }, body: {} });
    expect(await visitor.problem('readLink', { body: { token: third } })).toMatchObject({
      type: 'not-found',
    });
  });
});

describe('an instructor', () => {
  it('changes name, address and password, and ends sessions', async () => {
    const administrator = await server.signedIn();
    const visitor = await invited(administrator, 'bea@ellerbrook.example');
    await visitor.call('changeAccount', { body: { name: 'Bea Marling' } });
    const moving = { email: 'b.marling@ellerbrook.example' };
    expect(await visitor.problem('changeAccount', { body: moving })).toMatchObject({ type: 'refused' });
    expect(
      await visitor.problem('changeAccount', { body: { email: demoInstructor.email, password: good } }),
    ).toMatchObject({ type: 'name-taken' });
    await visitor.call('changeAccount', { body: { ...moving, password: good } });
    expect(await visitor.call('account')).toMatchObject({
      name: 'Bea Marling',
      ...moving,
      role: 'instructor',
    });

    const elsewhere = server.visitor();
    await elsewhere.call('signIn', { body: { ...moving, password: good } });
    expect((await visitor.call('account')).sessions.map(({ isThis }) => isThis)).toEqual(
      expect.arrayContaining([true, false]),
    );
    expect(
      await visitor.problem('changePassword', {
        body: { password: 'not it at all', next: 'scroll and pegbox' },
      }),
    ).toMatchObject({ type: 'refused' });
    await visitor.call('changePassword', { body: { password: good, next: 'scroll and pegbox' } });
    expect(await elsewhere.call('session')).toEqual({ who: 'nobody' });
    expect(await elsewhere.problem('signIn', { body: { ...moving, password: good } })).toMatchObject({
      type: 'wrong-sign-in',
    });
    await elsewhere.call('signIn', { body: { ...moving, password: 'scroll and pegbox' } });
    const other = (await visitor.call('account')).sessions.find(({ isThis }) => !isThis)!;
    await visitor.call('endSessions', { body: { id: other.id } });
    expect(await elsewhere.call('session')).toEqual({ who: 'nobody' });
    expect(await visitor.call('session')).toMatchObject({ who: 'instructor' });
  });

  it('can’t end the sessions of somebody else', async () => {
    const administrator = await server.signedIn();
    const visitor = await invited(administrator, 'cleo@ellerbrook.example');
    const { sessions } = await administrator.call('account');
    await visitor.call('endSessions', { body: { id: sessions[0]!.id } });
    expect((await administrator.call('account')).sessions).toHaveLength(sessions.length);
  });

  it('who forgot the password gets a link from an administrator, which ends all else', async () => {
    const administrator = await server.signedIn();
    const visitor = await invited(administrator, 'dora@ellerbrook.example');
    const person = await idOf(visitor);
    const { address } = await administrator.call('makeResetLink', { params: { person }, body: {} });
    const again = await administrator.call('makeResetLink', { params: { person }, body: {} });
    const fresh = server.visitor();
    await fresh.call('useLink', { body: { token: tokenOf(address), password: 'gouge and thicknesser' } });
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    expect(await fresh.problem('readLink', { body: { token: tokenOf(again.address) } })).toMatchObject({
      type: 'not-found',
    });
    await visitor.call('signIn', {
      body: { email: 'dora@ellerbrook.example', password: 'gouge and thicknesser' },
    });
    // Whoever asks for mail learns nothing, and there is none here.
    await server.visitor().call('forgotPassword', { body: { email: 'nobody@ellerbrook.example' } });
  });
});

describe('roles', () => {
  it('are given by administrators, of whom one always stays', async () => {
    const administrator = await server.signedIn();
    const own = await idOf(administrator);
    const visitor = await invited(administrator, 'erik@ellerbrook.example', 'administrator');
    const other = await idOf(visitor);
    // Both lay the role of the other down at the same moment.
    const answers = await Promise.all([
      administrator.raw('changePerson', { params: { person: other }, body: { role: 'instructor' } }),
      visitor.raw('changePerson', { params: { person: own }, body: { role: 'instructor' } }),
    ]);
    expect(answers.filter(({ status }) => status === 200).length).toBeGreaterThanOrEqual(1);
    const left = await server.db
      .selectFrom('instructor')
      .where('role', '=', 'administrator')
      .select('id')
      .execute();
    expect(left).toHaveLength(1);
    await server.db.updateTable('instructor').set({ role: 'administrator' }).where('id', '=', own).execute();
  });
});

describe('erasing', () => {
  it('an instructor gives the courses to another, and leaves no name behind', async () => {
    const administrator = await server.signedIn();
    const leaving = await invited(administrator, 'frieda@ellerbrook.example');
    const heir = await invited(administrator, 'gus@ellerbrook.example');
    const { id: course } = await leaving.call('createCourse', { body: { title: 'Left behind' } });
    const person = await idOf(leaving);
    expect(await leaving.problem('eraseOwnData', { body: { name: 'frieda' } })).toMatchObject({
      type: 'refused',
    });
    const body = { coursesTo: await idOf(heir), name: 'somebody else' };
    expect(await administrator.problem('erasePerson', { params: { person }, body })).toMatchObject({
      type: 'refused',
    });
    await administrator.call('erasePerson', { params: { person }, body: { ...body, name: 'frieda' } });
    expect(await leaving.call('session')).toEqual({ who: 'nobody' });
    expect((await heir.call('shelf')).courses).toMatchObject([
      { id: course, title: 'Left behind', owner: null },
    ]);
    const log = JSON.stringify(await administrator.call('audit'));
    expect(log).not.toContain('frieda');
    expect(log).toContain('personErased');
  });

  it('is done by oneself too, and what is kept is given out before', async () => {
    const administrator = await server.signedIn();
    const visitor = await invited(administrator, 'hanna@ellerbrook.example');
    await visitor.call('addToBench', { body: { name: 'Scroll', figure: emptyFigure() } });
    const data = (await visitor.call('ownData')) as { email: string; bench: { name: string }[] };
    expect(data).toMatchObject({
      kind: 'instructor',
      email: 'hanna@ellerbrook.example',
      bench: [{ name: 'Scroll' }],
    });
    expect(JSON.stringify(data)).not.toMatch(/password|token/i);
    await visitor.call('eraseOwnData', { body: { name: 'hanna' } });
    expect(await visitor.call('session')).toEqual({ who: 'nobody' });
    expect(
      await server.db.selectFrom('instructor').where('email', '=', 'hanna@ellerbrook.example').execute(),
    ).toEqual([]);
  });
});

describe('a password', () => {
  it('of those that are tried first is told from one that is not', () => {
    for (const common of [
      'password',
      'Password123!',
      '1234567890',
      'qwertyuiop',
      'aaaaaaaaaaaa',
      'abcabcabcabc',
      '2026-11-27',
      'dragon12345',
    ])
      expect(isCommon(common), common).toBe(true);
    for (const fine of [
      good,
      'scroll and pegbox',
      demoInstructor.password,
      'kX9#vT2mQp',
      'zwölf Saiten, eine Stimme',
    ])
      expect(isCommon(fine), fine).toBe(false);
  });
});

describe('the audit log', () => {
  it('says who did what to whom, page by page, and nothing secret', async () => {
    const administrator = await server.signedIn();
    const visitor = await invited(administrator, 'ines@ellerbrook.example');
    const { entries } = await administrator.call('audit');
    expect(entries.slice(0, 2).map(({ by, action, to }) => [by, action, to])).toEqual([
      ['ines', 'accountMade', 'ines'],
      ['Mirela Kastan', 'invited', 'ines@ellerbrook.example'],
    ]);
    expect(await visitor.problem('audit')).toMatchObject({ type: 'not-allowed' });
    await server.db
      .insertInto('audit')
      .values(
        Array.from({ length: 150 }, () => ({
          action: 'signedIn' as const,
          by_id: null,
          by_name: 'x',
          to_id: null,
          to_name: null,
          detail: null,
        })),
      )
      .execute();
    const first = await administrator.call('audit');
    expect(first).toMatchObject({ isMore: true });
    const next = await administrator.call('audit', {
      query: { before: String(first.entries.at(-1)!.number) },
    });
    expect(next.entries[0]!.number).toBe(first.entries.at(-1)!.number - 1);
    expect(endpoints.audit.access).toBe('administrator');
  });

  it('has an account that was made before there were roles', async () => {
    await server.db
      .insertInto('instructor')
      .values({ email: 'old@ellerbrook.example', name: 'Old', password_hash: await hash(good) })
      .execute();
    const visitor = server.visitor();
    const answer = await visitor.call('signIn', {
      body: { email: 'old@ellerbrook.example', password: good },
    });
    expect(answer).toMatchObject({ instructor: { role: 'instructor' } });
  });
});
