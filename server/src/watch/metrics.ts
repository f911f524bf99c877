import { timingSafeEqual } from 'node:crypto';
import { toldByServer } from '@bogen/contract';
import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import type { Settings } from '../config/settings.js';
import { poolOf, type Db } from '../db/connect.js';
import { hashSecret } from '../http/secret.js';
import { HttpProblem } from '../http/problem.js';
import { readSession } from '../http/session.js';
import type { Pool } from '../pool/pool.js';

/** Requests that save something of somebody's work, and those that have a task checked. */
const saving = new Set(['appendToWork', 'appendToDraft', 'changeBenchFigure', 'addToBench']);

/** The numbers by which one sees how a server is, in the open text format that programs which watch servers read. */
export class Metrics {
  private readonly registry = new Registry();
  private readonly durations: Histogram<'method' | 'route' | 'status'>;
  private readonly saves: Counter;
  private readonly checks: Counter;

  constructor(db: Db, pool: Pool) {
    const registers = [this.registry];
    // Memory, processor time, and how late the event loop is.
    collectDefaultMetrics({ register: this.registry });
    this.durations = new Histogram({
      name: 'bogen_request_seconds',
      help: 'How long requests took, by route and status.',
      labelNames: ['method', 'route', 'status'],
      buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
      registers,
    });
    this.saves = new Counter({ name: 'bogen_saves_total', help: 'Saves that were acknowledged.', registers });
    this.checks = new Counter({ name: 'bogen_checks_total', help: 'Tasks that were checked.', registers });
    new Gauge({
      name: 'bogen_worker_jobs',
      help: 'Calculations in worker threads, by kind: waiting and running.',
      labelNames: ['job', 'state'],
      registers,
      collect() {
        for (const { job, waiting, running } of pool.standing()) {
          this.set({ job, state: 'waiting' }, waiting);
          this.set({ job, state: 'running' }, running);
        }
      },
    });
    new Gauge({
      name: 'bogen_database_connections',
      help: 'Connections to the database: all, idle, and requests that wait for one.',
      labelNames: ['state'],
      registers,
      collect() {
        const connections = poolOf(db);
        this.set({ state: 'all' }, connections?.totalCount ?? 0);
        this.set({ state: 'idle' }, connections?.idleCount ?? 0);
        this.set({ state: 'waiting' }, connections?.waitingCount ?? 0);
      },
    });
  }

  /** Counts a request that was answered. @param endpoint its name in the contract, where it has one */
  answered(
    method: string,
    route: string,
    status: number,
    seconds: number,
    endpoint: string | undefined,
  ): void {
    this.durations.observe({ method, route, status: String(status) }, seconds);
    if (status !== 200 || endpoint === undefined) return;
    if (saving.has(endpoint)) this.saves.inc();
    if (endpoint === 'checkTask') this.checks.inc();
  }

  /** Gives the numbers to administrators, and to whoever has the token that is set. */
  handler(db: Db, { metricsToken }: Settings): RequestHandler {
    return async (request, response) => {
      const given = /^Bearer (.+)$/.exec(request.get('authorization') ?? '')?.[1];
      const hasToken = metricsToken !== undefined && given !== undefined && isSame(given, metricsToken);
      if (!hasToken) {
        const session = await readSession(db, request);
        if (session.who !== 'instructor' || session.instructor.role !== 'administrator')
          throw new HttpProblem('not-allowed', toldByServer('onlyAdministrators'));
      }
      response
        .set({ 'Content-Type': this.registry.contentType, 'Cache-Control': 'no-store' })
        .send(await this.registry.metrics());
    };
  }
}

/** Whether two secrets are the same, in a time that tells nothing of how far they are. */
const isSame = (a: string, b: string): boolean =>
  timingSafeEqual(Buffer.from(hashSecret(a)), Buffer.from(hashSecret(b)));
