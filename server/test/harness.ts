import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import {
  endpoints,
  problemSchema,
  type Answer,
  type Body,
  type EndpointName,
  type Params,
  englishOf,
  type Problem,
} from '@bogen/contract';
import { demoClass, instructor } from '@bogen/demo';
import { hash } from '@node-rs/argon2';
import { sql } from 'kysely';
import { pino } from 'pino';
import { afterAll, beforeAll, expect, inject } from 'vitest';
import { createApp } from '../src/app.js';
import { connect, type Db } from '../src/db/connect.js';
import type { Settings } from '../src/config/settings.js';
import { floodLimits, type FloodLimits } from '../src/http/rateLimit.js';
import { serverOf } from '../src/http/serverOf.js';
import type { Pool, PoolOptions } from '../src/pool/pool.js';
import { testPool } from './pool.js';
import { templates } from './templates.js';

/** One server on a database of its own, for a file of tests. */
export class TestServer {
  db!: Db;
  url = '';
  /** Of the database that is its own. */
  databaseUrl = '';
  private server!: Server;
  readonly pool: Pool;

  constructor(
    name: string,
    pool: Partial<PoolOptions> = {},
    private readonly options: {
      readonly demo?: boolean;
      readonly settings?: Settings;
      readonly floods?: FloodLimits;
    } = {},
  ) {
    this.pool = testPool({ limit: 10_000, ...pool });
    const database = `test_${name}`;
    beforeAll(async () => {
      const admin = connect(inject('clusterUrl'));
      const template = templates[(this.options.demo ?? true) ? 'demo' : 'empty'];
      await sql`create database ${sql.id(database)} template ${sql.id(template)}`.execute(admin);
      await admin.destroy();
      this.databaseUrl = inject('clusterUrl').replace(/\/postgres$/, `/${database}`);
      this.db = connect(this.databaseUrl);
      await this.start();
    });
    afterAll(async () => {
      await this.stop();
      await this.db.destroy();
      await this.pool.close();
    });
  }

  async start(db = this.db): Promise<void> {
    const { settings = {}, floods = floodLimits } = this.options;
    this.server = serverOf(
      createApp({ db, log: pino({ level: 'silent' }), pool: this.pool, settings, floods }),
    );
    // A slow machine must not find a connection closed that it is about to use again.
    this.server.keepAliveTimeout = 120_000;
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
    this.url = `http://127.0.0.1:${(this.server.address() as AddressInfo).port}`;
  }

  async stop(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
  }

  /** Somebody with a cookie jar of their own. */
  visitor(): Visitor {
    return new Visitor(this);
  }

  async signedIn(): Promise<Visitor> {
    const visitor = this.visitor();
    await visitor.call('signIn', { body: { email: instructor.email, password: instructor.password } });
    return visitor;
  }

  async student(name: string): Promise<Visitor> {
    const visitor = this.visitor();
    await visitor.call('join', { body: { code: demoClass.code, name } });
    return visitor;
  }

  /** Another instructor, with nothing on the shelf. */
  async stranger(): Promise<Visitor> {
    const email = `${crypto.randomUUID()}@ellerbrook.example`;
    await this.db
      .insertInto('instructor')
      .values({ email, name: 'Stranger', password_hash: await hash('a long enough password') })
      .execute();
    const visitor = this.visitor();
    await visitor.call('signIn', { body: { email, password: 'a long enough password' } });
    return visitor;
  }
}

interface Input<Name extends EndpointName> {
  readonly params?: Params<Name>;
  readonly body?: Body<Name>;
  readonly query?: Record<string, string>;
}

export class Visitor {
  cookie = '';
  constructor(private readonly server: TestServer) {}

  /** A raw request below /api. */
  async fetch(path: string, init: RequestInit = {}): Promise<Response> {
    const headers = new Headers(init.headers);
    if (this.cookie) headers.set('cookie', this.cookie);
    const response = await fetch(`${this.server.url}/api${path}`, { ...init, headers });
    for (const line of response.headers.getSetCookie()) this.cookie = line.split(';')[0]!;
    return response;
  }

  /** Calls an endpoint and gives back whatever comes. */
  raw<Name extends EndpointName>(name: Name, input: Input<Name>): Promise<Response> {
    const endpoint = endpoints[name];
    const params = (input.params ?? {}) as Record<string, string>;
    const path = endpoint.path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key]!));
    const search = input.query ? `?${new URLSearchParams(input.query).toString()}` : '';
    return this.fetch(path + search, {
      method: endpoint.method.toUpperCase(),
      ...('body' in endpoint
        ? { body: JSON.stringify(input.body ?? {}), headers: { 'content-type': 'application/json' } }
        : {}),
    });
  }

  /** Calls an endpoint, expects it to succeed, and holds its answer against the contract. */
  async call<Name extends EndpointName>(name: Name, input: Input<Name> = {}): Promise<Answer<Name>> {
    const response = await this.raw(name, input);
    const answer: unknown = await response.json();
    expect(response.status, JSON.stringify(answer)).toBe(200);
    return endpoints[name].answer.parse(answer) as Answer<Name>;
  }

  /** Calls an endpoint and expects a problem. */
  async problem<Name extends EndpointName>(name: Name, input: Input<Name> = {}): Promise<Problem> {
    return readProblem(await this.raw(name, input));
  }
}

/** A problem answer: right media type, right shape, the status that it says, and one sentence or two. */
export async function readProblem(response: Response): Promise<Problem> {
  expect(response.headers.get('content-type')).toContain('application/problem+json');
  const problem = problemSchema.parse(await response.json());
  expect(problem.status).toBe(response.status);
  expect(problem.detail).toMatch(/^[A-Z].*\.$/s);
  expect(problem.detail).toBe(englishOf(problem.told));
  return problem;
}

/** The lesson of the demo course that most tests work on, among others. */
export const nearAndFarOf = <Lesson extends { readonly title: string }>(lessons: readonly Lesson[]): Lesson =>
  lessons.find(({ title }) => title === 'Near and far')!;
