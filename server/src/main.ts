import { sentences } from '@bogen/contract';
import { wordMessagesBy } from '@bogen/core/lesson';
import { createServer } from 'node:http';
import { pino } from 'pino';
import { createApp } from './app.js';
import { connect } from './db/connect.js';
import { migrateDatabase } from './db/migrate.js';
import { loadDemo } from './demo/load.js';
import { Pool } from './pool/pool.js';
import { purgeDaily } from './shelf/purge.js';

/** Starts one server process: migrates, loads the demo data where there is none, and listens. */
async function main(): Promise<void> {
  const url = process.env['DATABASE_URL'];
  const port = Number(process.env['PORT'] ?? 4870);
  if (!url) throw new Error('DATABASE_URL is not set; it says which PostgreSQL database to use.');
  wordMessagesBy(sentences);
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  const db = connect(url);
  await migrateDatabase(db);
  const pool = new Pool();
  if (process.env['BOGEN_DEMO'] === 'yes') await loadDemo(db, pool);
  purgeDaily(db, log);
  const webFolder = process.env['BOGEN_WEB'];
  const server = createServer(createApp({ db, log, pool, ...(webFolder ? { webFolder } : {}) }));
  server.on('error', (error) => {
    const inUse = 'code' in error && error.code === 'EADDRINUSE';
    console.error(
      inUse ? `Port ${port} is in use. Stop what uses it, or set BOGEN_PORT to another.` : error.message,
    );
    process.exit(1);
  });
  server.listen(port, process.env['HOST'] ?? '127.0.0.1', () => {
    process.send?.('listening');
  });
  const stop = (): void => {
    server.close(() => void Promise.all([db.destroy(), pool.close()]).finally(() => process.exit(0)));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), 3000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.on('disconnect', stop);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
