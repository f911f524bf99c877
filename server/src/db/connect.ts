import { Kysely, PostgresDialect, type Transaction } from 'kysely';
import pg from 'pg';
import type { Database } from './schema.js';

export type Db = Kysely<Database>;
export type Tx = Transaction<Database>;

const pools = new WeakMap<Db, pg.Pool>();

/** The connections of a database, to be counted. */
export const poolOf = (db: Db): pg.Pool | undefined => pools.get(db);

/**
 * A pool of connections. A connection that is lost, idle or in the middle of a transaction, is replaced: what
 * was asked of it fails with an error that `isDatabaseGone` knows, and nothing else happens.
 */
export function connect(url: string): Db {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 4000,
    statement_timeout: 20_000,
  });
  pool.on('error', () => undefined);
  // The pool listens to idle connections only; an error of one in use would end the process.
  pool.on('connect', (client) => client.on('error', () => undefined));
  const db = new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });
  pools.set(db, pool);
  return db;
}

/** PostgreSQL's code for a broken uniqueness constraint, with the constraint's name. */
export function brokenConstraint(error: unknown): string | undefined {
  return error instanceof pg.DatabaseError && error.code === '23505' ? error.constraint : undefined;
}

/** Whether an error says that the database ended a statement, since it took longer than it may. */
export const isStatementTimeout = (error: unknown): boolean =>
  error instanceof pg.DatabaseError && error.code === '57014';

/** Whether an error says that the database is not there, or has no room or memory left, rather than that it refused something. */
export function isDatabaseGone(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const code = 'code' in error ? String(error.code) : '';
  return (
    /^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|57P0[1-5]|08\d{3}|53\d{3}|58\d{3})$/.test(code) ||
    /Connection terminated|driver has already been destroyed|timeout exceeded when trying to connect|Client has encountered a connection error/.test(
      error.message,
    )
  );
}
