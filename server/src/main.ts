import { sentences } from '@bogen/contract';
import { wordMessagesBy } from '@bogen/core/lesson';
import type { Server } from 'node:http';
import { isMainThread } from 'node:worker_threads';
import { pino } from 'pino';
import { newFirstCode } from './account/firstCode.js';
import { createApp } from './app.js';
import { isLoopback, readSettings } from './config/read.js';
import { connect, type Db } from './db/connect.js';
import { migrateDatabase } from './db/migrate.js';
import { loadDemo } from './demo/load.js';
import { serverOf } from './http/serverOf.js';
import { purgeDaily } from './forget/purge.js';
import { Pool } from './pool/pool.js';

/** How long what runs may take to come to its end when the server is stopped. */
const patience = 25_000;

/** Starts one server process: migrates, loads the demo data where that is wished, and listens. */
async function main(): Promise<void> {
  if (!isMainThread) throw new Error('A thread is no server.');
  const { database, host, port, logLevel, web, loadsDemo, demoAnywhere, settings } = readSettings(
    process.env,
  );
  wordMessagesBy(sentences);
  const log = pino({ level: logLevel });
  const db = connect(database);
  await migrateDatabase(db);
  const pool = new Pool();
  if (loadsDemo) await loadDemo(db, pool);
  if (!isLoopback(host) && !demoAnywhere) await refuseDemo(db);
  const code = await newFirstCode(db);
  if (code) {
    process.stdout.write(`
Nobody has an account here yet. The first one, an administrator, is made at
${settings.baseUrl ?? `http://localhost:${port}`}/first   with the code   ${code}

`);
  }
  const endPurging = purgeDaily(db, log);
  const app = createApp({ db, log, pool, settings, ...(web ? { webFolder: web } : {}) });
  const server = serverOf(app);
  // Longer than proxies keep theirs, so that none sends a request into a connection that is just being closed.
  server.keepAliveTimeout = 75_000;
  server.on('error', (error) => {
    const inUse = 'code' in error && error.code === 'EADDRINUSE';
    console.error(
      inUse ? `Port ${port} is in use. Stop what uses it, or set BOGEN_PORT to another.` : error.message,
    );
    process.exit(1);
  });
  // As many as may come back at the same moment, after a pause or a failure, without waiting to be asked again.
  server.listen({ port, host, backlog: 4096 }, () => {
    log.info({ host, port }, 'listening');
    process.send?.('listening');
  });
  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    app.locals['stopping'] = true;
    void closed(server)
      .then(endPurging)
      .then(() => Promise.all([db.destroy(), pool.close()]))
      .finally(() => process.exit(0));
    setTimeout(() => process.exit(0), patience).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.on('disconnect', stop);
}

/** Takes no more connections, lets what runs come to its end, and closes what waits for another request. */
function closed(server: Server): Promise<void> {
  return new Promise((resolve) => {
    const timer = setInterval(() => server.closeIdleConnections(), 100);
    server.close(() => {
      clearInterval(timer);
      resolve();
    });
    server.closeIdleConnections();
  });
}

/** The password of the demo account is known to everybody. */
async function refuseDemo(db: Db): Promise<void> {
  const demo = await db.selectFrom('instructor').select('id').where('is_demo', '=', true).executeTakeFirst();
  if (demo)
    throw new Error(
      'The database has the demo account, whose password is known to everybody, and HOST lets other machines in. Use a database without demo data, or set BOGEN_DEMO_ANYWHERE=yes where that is what you want.',
    );
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
