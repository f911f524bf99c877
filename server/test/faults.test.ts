import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { randomBytes, randomUUID } from 'node:crypto';
import { nestingLimit } from '@bogen/contract';
import { newSheet } from '@bogen/core/lesson';
import { sql } from 'kysely';
import { pino } from 'pino';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { serverOf } from '../src/http/serverOf.js';
import { Pool } from '../src/pool/pool.js';
import { testPool } from './pool.js';
import { readProblem, TestServer, type Visitor } from './harness.js';

const server = new TestServer('faults');
const json = { 'content-type': 'application/json' };

async function openDraft(visitor: Visitor): Promise<{ lesson: string; revision: number }> {
  const { courses } = await visitor.call('shelf');
  const lesson = courses[0]!.lessons[0]!.id;
  return { lesson, revision: (await visitor.call('draft', { params: { lesson } })).revision };
}

const setTitle = (title: string) =>
  ({ id: randomUUID(), kind: 'do', command: { name: 'setTitle', title } }) as const;

describe('a body', () => {
  it('is not parsed before it is known who sends it', async () => {
    const brackets = '['.repeat(2_000_000) + ']'.repeat(2_000_000);
    for (const path of ['/pictures', `/lessons/${randomUUID()}/steps`]) {
      const response = await server.visitor().fetch(path, { method: 'POST', body: brackets, headers: json });
      expect(await readProblem(response)).toMatchObject({ type: 'not-signed-in' });
    }
  });

  it('of a request that anyone may make is small', async () => {
    const body = JSON.stringify({ email: 'a'.repeat(20_000), password: 'b' });
    const response = await server.visitor().fetch('/sign-in', { method: 'POST', body, headers: json });
    expect(await readProblem(response)).toMatchObject({ type: 'too-large', status: 413 });
  });

  it('nested too deep is refused, and one nested as deep as is allowed is read', async () => {
    const visitor = await server.signedIn();
    const { lesson } = await openDraft(visitor);
    const send = (depth: number) =>
      visitor.fetch(`/lessons/${lesson}/steps`, {
        method: 'POST',
        body: `{"base":${'['.repeat(depth)}${']'.repeat(depth)}}`,
        headers: json,
      });
    expect((await readProblem(await send(nestingLimit))).detail).toContain('nested deeper');
    expect((await readProblem(await send(nestingLimit - 1))).detail).not.toContain('nested deeper');
  });

  it('that is compressed, or says so and is not, is refused', async () => {
    for (const encoding of ['gzip', 'br', 'nonsense']) {
      const response = await server.visitor().fetch('/sign-in', {
        method: 'POST',
        body: '{}',
        headers: { ...json, 'content-encoding': encoding },
      });
      expect(await readProblem(response)).toMatchObject({ type: 'bad-request', status: 400 });
    }
  });

  it('with a text that can’t be stored is cleaned and saved', async () => {
    const visitor = await server.signedIn();
    const { lesson, revision } = await openDraft(visitor);
    const body = { base: revision, steps: [setTitle('f\u0000i\ud800n\udc00e 𝄞')] };
    await visitor.call('appendToDraft', { params: { lesson }, body });
    expect((await visitor.call('draft', { params: { lesson } })).document.title).toBe('fine 𝄞');
  });

  it('with the same step twice is refused', async () => {
    const visitor = await server.signedIn();
    const { lesson, revision } = await openDraft(visitor);
    const step = setTitle('Twice');
    const body = { base: revision, steps: [step, step] };
    expect(await visitor.problem('appendToDraft', { params: { lesson }, body })).toMatchObject({
      type: 'bad-request',
    });
  });
});

describe('a missing asset', () => {
  it('is not found', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'bogen-web-'));
    mkdirSync(join(folder, 'assets'));
    writeFileSync(join(folder, 'index.html'), '<!doctype html>');
    const app = createApp({
      db: server.db,
      pool: server.pool,
      log: pino({ level: 'silent' }),
      webFolder: folder,
    });
    const http = serverOf(app);
    await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve));
    const url = `http://127.0.0.1:${(http.address() as AddressInfo).port}`;
    expect(await readProblem(await fetch(`${url}/assets/gone-1a2b3c.js`))).toMatchObject({
      type: 'not-found',
      status: 404,
    });
    const page = await fetch(`${url}/read/anything`);
    expect(page.status).toBe(200);
    const policy = page.headers.get('content-security-policy')!;
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toContain('unsafe');
    http.closeAllConnections();
    await new Promise((resolve) => http.close(resolve));
    rmSync(folder, { recursive: true });
  });
});

describe('a lost connection to the database', () => {
  it('is told, ends nothing, and loses nothing that was acknowledged', async () => {
    const visitor = await server.signedIn();
    const { lesson, revision } = await openDraft(visitor);
    let base = revision;
    let saved = 0;
    let unavailable = 0;
    let cutting = true;
    const cut = (async () => {
      // On a busy machine it may take longer until a cut meets a transaction.
      for (let round = 0; round < 40 || (unavailable === 0 && round < 2000); round++) {
        // Whatever is in the middle of a transaction, by its state, on this database.
        await sql`select pg_terminate_backend(pid) from pg_stat_activity
          where datname = current_database() and pid <> pg_backend_pid()`
          .execute(server.db)
          .catch(() => undefined);
        await new Promise((resolve) => setTimeout(resolve, 5));
      }
      cutting = false;
    })();
    let step = setTitle('Through it 0');
    while (cutting || saved < 5) {
      const response = await visitor.fetch(`/lessons/${lesson}/steps`, {
        method: 'POST',
        body: JSON.stringify({ base, steps: [step] }),
        headers: json,
      });
      if (response.status === 200) {
        base = ((await response.json()) as { revision: number }).revision;
        saved++;
        step = setTitle(`Through it ${saved}`);
      } else {
        expect(await readProblem(response)).toMatchObject({ type: 'database-unavailable', status: 503 });
        unavailable++;
      }
    }
    await cut;
    const draft = await visitor.call('draft', { params: { lesson } });
    expect(draft.revision).toBe(base);
    expect(draft.document.title).toBe(`Through it ${saved - 1}`);
    expect(unavailable).toBeGreaterThan(0);
  }, 60_000);
});

describe('the pool', () => {
  const task = {
    kind: 'shape' as const,
    id: 'task',
    stage: 'first',
    prompt: '',
    hints: [],
    conditions: [],
  };
  const figure = {
    version: 1,
    items: [],
    loose: {},
    shown: { controlPoints: true, polygon: true, editPoints: true, knots: true, comb: false, labels: true },
    rail: { item: null, tracks: [] },
    view: { left: 0, right: 1, bottom: 0, top: 1, grid: 1 },
  } as never;
  const sheet = newSheet({ id: 's', title: 'S', figure });

  it('ends what takes too long, says so, and goes on', async () => {
    const pool = testPool({ limit: 2000 });
    try {
      await expect
        .poll(() => pool.run('check', sheet, task, { start: figure, figure }).catch(() => null), {
          timeout: 20_000,
        })
        .toEqual({ results: [], score: null });
      // Millions of pixels and none like the one before it: they take seconds to be made small.
      const costly = await sharp(randomBytes(75_000_000), { raw: { width: 5000, height: 5000, channels: 3 } })
        .png({ compressionLevel: 0 })
        .toBuffer();
      const refused = pool.run('picture', costly);
      const behind = pool.run('check', sheet, task, { start: figure, figure });
      await expect(refused).rejects.toMatchObject({ problem: { type: 'too-costly', status: 422 } });
      expect(await behind).toEqual({ results: [], score: null });
    } finally {
      await pool.close();
    }
  }, 120_000);

  it('takes only so many at once', async () => {
    // As it runs from its sources.
    const pool = new Pool({ threads: 1, mostWaiting: 3 });
    try {
      const runs = Array.from({ length: 10 }, () =>
        pool.run('check', sheet, task, { start: figure, figure }).then(
          () => 'done',
          (error: { problem: { type: string } }) => error.problem.type,
        ),
      );
      const results = await Promise.all(runs);
      expect(results.filter((result) => result === 'done').length).toBeGreaterThanOrEqual(3);
      expect(results).toContain('busy');
    } finally {
      await pool.close();
    }
  }, 60_000);
});
