export { createApp } from './app.js';
export { connect, type Db } from './db/connect.js';
export { migrateDatabase } from './db/migrate.js';
export { loadDemo } from './demo/load.js';
export { Pool } from './pool/pool.js';
