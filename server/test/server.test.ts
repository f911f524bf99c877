import { endpoints } from '@bogen/contract';
import { describe, expect, it } from 'vitest';
import { connect } from '../src/db/connect.js';
import { migrateDatabase } from '../src/db/migrate.js';
import { loadDemo } from '../src/demo/load.js';
import { readProblem, TestServer } from './harness.js';

const server = new TestServer('server');

describe('the server', () => {
  it('tells its health and readiness', async () => {
    const visitor = server.visitor();
    expect(await visitor.call('health')).toEqual({ status: 'up' });
    expect(await visitor.call('ready')).toEqual({ status: 'ready' });
  });

  it('describes every endpoint in its OpenAPI document', async () => {
    const document = (await (await server.visitor().fetch('/openapi.json')).json()) as {
      openapi: string;
      paths: Record<string, Record<string, { operationId: string }>>;
    };
    expect(document.openapi).toBe('3.1.0');
    const operations = Object.values(document.paths).flatMap((path) =>
      Object.values(path).map(({ operationId }) => operationId),
    );
    expect(operations.sort()).toEqual(Object.keys(endpoints).sort());
    expect(document.paths['/lessons/{lesson}/steps']).toHaveProperty('post');
  });

  it('sends a strict content security policy and no cache for answers', async () => {
    const response = await server.visitor().fetch('/health');
    const policy = response.headers.get('content-security-policy')!;
    expect(policy).toBe("default-src 'none';frame-ancestors 'none'");
    expect(response.headers.get('x-content-type-options')).toBe('nosniff');
    expect(response.headers.get('cache-control')).toBe('no-store');
    expect(response.headers.get('x-powered-by')).toBeNull();
  });

  it('answers what is not there with a problem', async () => {
    expect(await readProblem(await server.visitor().fetch('/nowhere'))).toMatchObject({
      type: 'not-found',
      status: 404,
    });
    expect(await readProblem(await server.visitor().fetch('/lessons/%E0%A4%A/draft'))).toMatchObject({
      type: 'not-found',
    });
  });

  it('says so when the database is gone, stays up, and goes on when it is back', async () => {
    const visitor = await server.signedIn();
    const { db } = server;
    await server.stop();
    const gone = connect('postgres://nobody@127.0.0.1:1/none');
    await server.start(gone);
    expect(await visitor.problem('ready')).toMatchObject({ type: 'database-unavailable', status: 503 });
    expect(await visitor.problem('shelf')).toMatchObject({ type: 'database-unavailable' });
    expect(await visitor.call('health')).toEqual({ status: 'up' });
    await server.stop();
    await gone.destroy();
    await server.start(db);
    expect((await visitor.call('shelf')).courses).toHaveLength(1);
  });

  it('migrates and loads the demo data once, however often it starts', async () => {
    const count = () => server.db.selectFrom('instructor').select('id').execute();
    const before = await count();
    await migrateDatabase(server.db);
    await loadDemo(server.db, server.pool);
    expect(await count()).toEqual(before);
  });
});
