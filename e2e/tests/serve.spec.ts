import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { newSheet } from '@bogen/core/lesson';
import { emptyFigure } from '@bogen/core/figure';
import { connect } from '@bogen/server/connect';
import { sql } from 'kysely';
import { expect, test } from '../bogen.js';
import { createDatabase } from '../application.js';
import { freePort } from '../../scripts/cluster.mjs';

const script = fileURLToPath(new URL('../../scripts/serve.mjs', import.meta.url));

/** A server as it runs in production, and what it prints. */
class Served {
  output = '';
  readonly exited: Promise<number | null>;
  private constructor(
    readonly process: ChildProcess,
    readonly url: string,
  ) {
    for (const stream of [process.stdout!, process.stderr!])
      stream.on('data', (data: Buffer) => (this.output += data.toString()));
    this.exited = new Promise((resolve) => process.on('exit', resolve));
  }

  static start(port: number, env: Record<string, string>): Served {
    const child = spawn(process.execPath, [script], {
      env: { PATH: process.env['PATH'], HOME: process.env['HOME'], PORT: String(port), ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    return new Served(child, `http://127.0.0.1:${port}`);
  }

  async listening(): Promise<this> {
    await expect.poll(() => this.output, { timeout: 60_000 }).toContain('"listening"');
    return this;
  }

  async stop(): Promise<number | null> {
    this.process.kill('SIGTERM');
    return this.exited;
  }
}

test('as in production: built, set by the environment, two processes on one database', async ({
  bogen,
  newContext,
}) => {
  const DATABASE_URL = await createDatabase(process.env['BOGEN_E2E_CLUSTER']!, `served_${Date.now()}`);
  const [port, second] = [(await freePort()) as number, (await freePort()) as number];
  const BASE_URL = `http://localhost:${port}`;

  await test.step('what is missing is said, a sentence each', async () => {
    const broken = Served.start(port, {});
    expect(await broken.exited).toBe(1);
    expect(broken.output).toContain('DATABASE_URL is not set');
    expect(broken.output).toContain('BASE_URL is not set');
    expect(broken.output).not.toContain('    at ');
  });

  const env = { DATABASE_URL, BASE_URL, METRICS_TOKEN: 'a token that is long enough' };
  const server = await Served.start(port, env).listening();
  const other = await Served.start(second, env).listening();
  const page = await (await newContext()).newPage();

  await test.step('the first account', async () => {
    // Each that starts prints a code; the newest is the one.
    const code = /with the code {3}([A-Z0-9-]+)/.exec(other.output)![1]!;
    await page.goto(`${BASE_URL}/sign-in`);
    await expect(page.getByRole('heading', { name: 'The first account' })).toBeVisible();
    await page.getByLabel('Code from the console').fill(code);
    await page.getByLabel('Your name').fill('Ada Head');
    await page.getByLabel('Email address').fill('ada@ellerbrook.example');
    await page.getByLabel(/^Password/).fill('linseed and turpentine');
    await page.getByRole('button', { name: 'Make the account' }).click();
    await expect(page.getByText('Nothing stands on the shelf yet.')).toBeVisible();
  });

  await test.step('assets are compressed and kept for good, and the page is asked for each time', async () => {
    const html = await page.request.get(`${BASE_URL}/`);
    expect(html.headers()['cache-control']).toBe('no-cache');
    expect(html.headers()['strict-transport-security']).toBeUndefined();
    // The script that the page begins with is too small to be compressed; what it imports is fetched beside it.
    const script = /href="(\/assets\/entry-[^"]+\.js)"/.exec(await html.text())![1]!;
    for (const encoding of ['br', 'gzip']) {
      const answer = await fetch(`${BASE_URL}${script}`, { headers: { 'accept-encoding': encoding } });
      expect(answer.headers.get('content-encoding')).toBe(encoding);
      expect(answer.headers.get('cache-control')).toContain('immutable');
      expect(answer.headers.get('vary')?.toLowerCase()).toContain('accept-encoding');
      expect(answer.headers.get('content-type')).toContain('javascript');
    }
  });

  await test.step('the numbers are for whoever has the token', async () => {
    expect((await fetch(`${BASE_URL}/metrics`)).status).toBe(403);
    const numbers = await fetch(`${BASE_URL}/metrics`, {
      headers: { authorization: 'Bearer a token that is long enough' },
    });
    const text = await numbers.text();
    expect(numbers.headers.get('content-type')).toContain('version=');
    for (const name of [
      'bogen_request_seconds_bucket{le="0.05",method="POST",route="/first-account",status="200"} ',
      'bogen_worker_jobs{job="check",state="waiting"} 0',
      'bogen_database_connections',
      'nodejs_eventloop_lag_seconds',
      'process_resident_memory_bytes',
    ])
      expect(text).toContain(name);
  });

  await test.step('what one process saves the other has', async () => {
    const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
    const headers = { cookie, 'content-type': 'application/json' };
    const post = async (url: string, body: object): Promise<{ id: string; answer: Response }> => {
      const answer = await fetch(url, { method: 'POST', headers, body: JSON.stringify(body) });
      return { id: ((await answer.json()) as { id: string }).id, answer };
    };
    const course = await post(`${server.url}/api/courses`, { title: 'Two processes' });
    const sheet = newSheet({ id: 'one', title: 'One', figure: emptyFigure() });
    const lesson = await post(`${other.url}/api/courses/${course.id}/lessons`, {
      document: { version: 1, title: 'Shared', sheets: [sheet] },
    });
    expect(lesson.answer.status, 'made by the second').toBe(200);
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Two processes' })).toBeVisible();
    await expect(page.getByRole('link', { name: 'Open Shared in the writer' })).toBeVisible();
  });

  await test.step('stopping finishes what runs, and the log has ids and no secrets', async () => {
    const cookie = (await page.context().cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
    // A statement that waits for a row which somebody else holds.
    const db = connect(DATABASE_URL);
    let letGo = (): void => undefined;
    let isHeld = false;
    const held = db.transaction().execute(async (tx) => {
      await sql`lock table instructor in access exclusive mode`.execute(tx);
      isHeld = true;
      await new Promise<void>((resolve) => (letGo = resolve));
    });
    await expect.poll(() => isHeld).toBe(true);
    const running = fetch(`${server.url}/api/shelf`, { headers: { cookie } });
    await expect
      .poll(async () => {
        const { rows } = await sql<{
          n: number;
        }>`select count(*)::integer as n from pg_locks where not granted`.execute(db);
        return rows[0]!.n;
      })
      .toBeGreaterThan(0);
    server.process.kill('SIGTERM');
    // It is not ready for more, and not yet gone.
    await expect
      .poll(async () =>
        fetch(`${server.url}/api/ready`).then(
          ({ status }) => status,
          () => 'closed',
        ),
      )
      .toBe('closed');
    letGo();
    expect((await running).status).toBe(200);
    await held;
    await db.destroy();
    expect(await server.exited).toBe(0);
    const lines = server.output
      .split('\n')
      .filter((line) => line.startsWith('{'))
      .map((line) => JSON.parse(line) as { msg: string; id?: string; route?: string });
    const requests = lines.filter(({ msg }) => msg === 'request');
    expect(requests.some(({ route }) => route === '/courses')).toBe(true);
    expect(requests.every(({ id }) => /^[\w-]{36}$/.test(id ?? ''))).toBe(true);
    for (const secret of ['linseed', cookie.split('=')[1]!, 'a token that is long', 'bogen-session'])
      expect(server.output + other.output).not.toContain(secret);
  });

  await test.step('the other goes on alone, and tells browsers to stay with HTTPS where it is that', async () => {
    expect((await fetch(`${other.url}/api/ready`)).status).toBe(200);
    expect(await other.stop()).toBe(0);
    const secure = await Served.start(second, {
      ...env,
      BASE_URL: 'https://bogen.ellerbrook.example',
    }).listening();
    const answer = await fetch(`${secure.url}/`);
    expect(answer.headers.get('strict-transport-security')).toContain('max-age=');
    expect(await secure.stop()).toBe(0);
  });

  await test.step('a database of the demo is not served to other machines', async () => {
    const open = Served.start(second, { ...env, DATABASE_URL: bogen.databaseUrl, HOST: '0.0.0.0' });
    expect(await open.exited).toBe(1);
    expect(open.output).toContain('BOGEN_DEMO_ANYWHERE');
  });
});
