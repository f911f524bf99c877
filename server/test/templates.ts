import { sql } from 'kysely';
import { connect } from '../src/db/connect.js';
import { migrateDatabase } from '../src/db/migrate.js';
import { loadDemo } from '../src/demo/load.js';
import { testPool } from './pool.js';

/** The databases of which each file of tests gets a copy: with the demo course, and with nothing in it. */
export const templates = { demo: 'template_demo', empty: 'template_empty' } as const;

/** Makes both. Loading the course takes many seconds; copying takes a fraction of one. */
export async function makeTemplates(clusterUrl: string): Promise<void> {
  const admin = connect(clusterUrl);
  await sql`create database ${sql.id(templates.empty)}`.execute(admin);
  const db = connect(clusterUrl.replace(/\/postgres$/, `/${templates.empty}`));
  await migrateDatabase(db);
  await db.destroy();
  await sql`create database ${sql.id(templates.demo)} template ${sql.id(templates.empty)}`.execute(admin);
  await admin.destroy();
  const pool = testPool({ limit: 10_000 });
  const demo = connect(clusterUrl.replace(/\/postgres$/, `/${templates.demo}`));
  await loadDemo(demo, pool);
  await demo.destroy();
  await pool.close();
}
