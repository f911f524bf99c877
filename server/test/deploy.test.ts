import { readFileSync } from 'node:fs';
import { Kysely, PostgresDialect, sql } from 'kysely';
import pg from 'pg';
import { afterAll, expect, inject, it } from 'vitest';
import { migrateDatabase } from '../src/db/migrate.js';
import type { Database } from '../src/db/schema.js';

const admin = inject('clusterUrl');
/** The test cluster has a role of that name already. */
const name = 'deployed';
const script = readFileSync(new URL('../../deploy/database.sql', import.meta.url), 'utf8')
  .replaceAll(':password', "'peg-rib-and-purfling'")
  .replaceAll('bogen', name);
const own = new URL(admin);
own.pathname = `/${name}`;

/** What psql does with a file of statements. */
async function runAll(url: string, text: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    for (const statement of text.replace(/^--.*$/gm, '').split(';')) {
      if (statement.trim() !== '') await client.query(statement);
    }
  } finally {
    await client.end();
  }
}

afterAll(async () => {
  await runAll(admin, `drop database if exists ${name} with (force); drop role if exists ${name}`);
});

it('a database made as the file for it says takes all migrations in a schema of its own, and its role owns nothing else', async () => {
  const [before, after] = script.split(`\\connect ${name}`) as [string, string];
  await runAll(admin, before);
  await runAll(own.href, after);
  const asRole = new URL(own);
  asRole.username = name;
  asRole.password = 'peg-rib-and-purfling';
  const pool = new pg.Pool({ connectionString: asRole.href, max: 2 });
  const db = new Kysely<Database>({ dialect: new PostgresDialect({ pool }) });
  try {
    await migrateDatabase(db);
    // A second time nothing is left to do.
    await migrateDatabase(db);
    const { rows } = await sql<{ schema: string; count: number }>`
      select schemaname as schema, count(*)::integer as count from pg_tables where tableowner = ${name} group by 1
    `.execute(db);
    expect(rows).toEqual([{ schema: name, count: expect.any(Number) as number }]);
    expect(rows[0]!.count).toBeGreaterThan(15);
    for (const forbidden of [
      'create table public.elsewhere (id integer)',
      'create schema another',
      'create role somebody',
      'create database another',
    ])
      await expect(sql.raw(forbidden).execute(db), forbidden).rejects.toThrow(/permission denied/);
  } finally {
    await db.destroy();
  }
});
