import { Migrator, sql, type Kysely, type Migration } from 'kysely';
import type { Database } from './schema.js';
import * as firstSlice from './migrations/001-first-slice.js';
import * as pictures from './migrations/002-pictures.js';
import * as guesses from './migrations/003-guesses.js';
import * as log from './migrations/004-log.js';
import * as stages from './migrations/005-stages.js';
import * as answers from './migrations/006-answers.js';
import * as shelf from './migrations/007-shelf.js';
import * as bench from './migrations/008-bench.js';
import * as takenAlong from './migrations/009-taken-along.js';
import * as terms from './migrations/010-terms.js';
import * as loaded from './migrations/011-loaded.js';
import * as people from './migrations/012-people.js';
import * as pixels from './migrations/013-pixels.js';
import * as bytes from './migrations/014-bytes.js';
import * as presence from './migrations/015-presence.js';
import * as writtenLater from './migrations/016-written-later.js';
import * as floods from './migrations/017-floods.js';
import * as score from './migrations/018-score.js';
import * as embedding from './migrations/019-embedding.js';
import * as drawn from './migrations/020-drawn.js';

/** Every migration in order; a name, once released, never changes. */
const migrations: Record<string, Migration> = {
  '001-first-slice': firstSlice,
  '002-pictures': pictures,
  '003-guesses': guesses,
  '004-log': log,
  '005-stages': stages,
  '006-answers': answers,
  '007-shelf': shelf,
  '008-bench': bench,
  '009-taken-along': takenAlong,
  '010-terms': terms,
  '011-loaded': loaded,
  '012-people': people,
  '013-pixels': pixels,
  '014-bytes': bytes,
  '015-presence': presence,
  '016-written-later': writtenLater,
  '017-floods': floods,
  '018-score': score,
  '019-embedding': embedding,
  '020-drawn': drawn,
};

/**
 * Brings the database to the newest schema; does nothing where it is there already.
 * @throws Error where a newer version of Bogen has changed the database before
 */
export async function migrateDatabase(db: Kysely<Database>): Promise<void> {
  const migrator = new Migrator({ db, provider: { getMigrations: () => Promise.resolve(migrations) } });
  const applied = await appliedMigrations(db);
  const newest = applied.filter((name) => !(name in migrations)).at(-1);
  if (newest) {
    throw new Error(
      `The database was written by a newer version of Bogen, which has the step ${newest}; this one knows steps up to ${Object.keys(migrations).at(-1)!}. Start that version or a later one; nothing was changed.`,
    );
  }
  const { error } = await migrator.migrateToLatest();
  if (error) throw error;
}

/** The names of what was applied already, in order. */
async function appliedMigrations(db: Kysely<Database>): Promise<string[]> {
  const tables = await db.introspection.getTables({ withInternalKyselyTables: true });
  if (!tables.some(({ name }) => name === 'kysely_migration')) return [];
  const { rows } = await sql<{ name: string }>`select name from kysely_migration order by name`.execute(db);
  return rows.map(({ name }) => name);
}
