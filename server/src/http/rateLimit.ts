import { rateLimit, type ClientRateLimitInfo, type Store } from 'express-rate-limit';
import { sql } from 'kysely';
import type { RequestHandler } from 'express';
import type { Db } from '../db/connect.js';
import { HttpProblem } from './problem.js';

/** Counts in PostgreSQL, so that any number of server processes share one count. */
class DatabaseStore implements Store {
  constructor(
    private readonly db: Db,
    readonly prefix: string,
    private readonly windowMs: number,
  ) {}

  async increment(key: string): Promise<ClientRateLimitInfo> {
    const fresh = new Date(Date.now() + this.windowMs);
    const row = await this.db
      .insertInto('rate_limit')
      .values({ key: this.prefix + key, hits: 1, resets_at: fresh })
      .onConflict((conflict) =>
        conflict.column('key').doUpdateSet({
          hits: sql<number>`case when rate_limit.resets_at <= now() then 1 else rate_limit.hits + 1 end`,
          resets_at: sql<Date>`case when rate_limit.resets_at <= now() then excluded.resets_at else rate_limit.resets_at end`,
        }),
      )
      .returning(['hits', 'resets_at'])
      .executeTakeFirstOrThrow();
    return { totalHits: row.hits, resetTime: row.resets_at };
  }

  async decrement(key: string): Promise<void> {
    await this.db
      .updateTable('rate_limit')
      .set({ hits: sql<number>`greatest(hits - 1, 0)` })
      .where('key', '=', this.prefix + key)
      .execute();
  }

  async resetKey(key: string): Promise<void> {
    await this.db
      .deleteFrom('rate_limit')
      .where('key', '=', this.prefix + key)
      .execute();
  }
}

/** How often one address may fail, or ask, within a window. */
export interface Limit {
  readonly name: string;
  readonly windowMs: number;
  readonly most: number;
  /** Whether only answers with an error count, as for guessing passwords. */
  readonly onlyFailures: boolean;
}

export function limitRate(db: Db, { name, windowMs, most, onlyFailures }: Limit): RequestHandler {
  return rateLimit({
    windowMs,
    limit: most,
    skipSuccessfulRequests: onlyFailures,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    store: new DatabaseStore(db, `${name}:`, windowMs),
    handler: (_request, _response, next) => {
      const minutes = Math.max(1, Math.round(windowMs / 60_000));
      next(
        new HttpProblem(
          'too-many-requests',
          `Too many tries from this address. Wait up to ${minutes} minutes and try again.`,
        ),
      );
    },
  });
}
