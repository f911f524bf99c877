import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, truncateSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { instructor } from '@bogen/demo';
import { sql } from 'kysely';
import { afterAll, describe, expect, inject, it } from 'vitest';
import { connect, type Db } from '../src/db/connect.js';
import { migrateDatabase } from '../src/db/migrate.js';
import { loadDemo } from '../src/demo/load.js';
import { TestServer } from './harness.js';
import { backupToday, dumpDatabase, restoreDatabase } from '../../scripts/dump.mjs';
import { lockFolder } from '../../scripts/folderLock.mjs';
import { findPostgres, root } from '../../scripts/packages.mjs';

const server = new TestServer('backup');
const bin = findPostgres()!;
const folder = mkdtempSync(join(tmpdir(), 'bogen-backup-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const urlOf = (database: string): string => inject('clusterUrl').replace(/\/postgres$/, `/${database}`);

async function emptyDatabase(name: string): Promise<{ db: Db; url: string }> {
  const admin = connect(inject('clusterUrl'));
  await sql`create database ${sql.id(name)}`.execute(admin);
  await admin.destroy();
  return { db: connect(urlOf(name)), url: urlOf(name) };
}

/** How many rows each table has, and a sum over what stands in them. */
async function contentOf(db: Db): Promise<Record<string, string>> {
  const content: Record<string, string> = {};
  for (const { name } of await db.introspection.getTables({ withInternalKyselyTables: true })) {
    const { rows } = await sql<{ count: string; sum: string | null }>`
      select count(*), md5(string_agg(t::text, '|' order by t::text)) as sum from ${sql.table(name)} t`.execute(
      db,
    );
    content[name] = `${rows[0]!.count} ${rows[0]!.sum}`;
  }
  return content;
}

describe('a backup', () => {
  it(
    'is made while others work, and is restored to the same content, pictures included',
    { timeout: 120_000 },
    async () => {
      const visitor = await server.signedIn();
      const svg =
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><path d="M0 0L9 9" stroke="#333"/></svg>';
      await visitor.call('addPicture', { body: { data: Buffer.from(svg).toString('base64') } });
      const before = await contentOf(server.db);
      expect(Object.keys(before).length).toBeGreaterThan(12);
      const file = join(folder, 'whole.dump');
      await dumpDatabase(bin, urlOf('test_backup'), file);
      const { db, url } = await emptyDatabase('test_restored');
      await restoreDatabase(bin, url, file);
      expect(await contentOf(db)).toEqual(before);
      // A version of Bogen goes on with it.
      await migrateDatabase(db);
      await expect(restoreDatabase(bin, url, file)).rejects.toThrow('not empty, and nothing was changed');
      expect(await contentOf(db)).toEqual(before);
      await db.destroy();
    },
  );

  it('that is cut off, is none, or is not there is refused, and nothing is left of it', async () => {
    const file = join(folder, 'cut.dump');
    await dumpDatabase(bin, urlOf('test_backup'), file);
    truncateSync(file, Math.floor(statSync(file).size / 2));
    const { db, url } = await emptyDatabase('test_cut');
    await expect(restoreDatabase(bin, url, file)).rejects.toThrow('no whole backup');
    writeFileSync(file, 'hello');
    await expect(restoreDatabase(bin, url, file)).rejects.toThrow('no whole backup');
    await expect(restoreDatabase(bin, url, join(folder, 'nothing.dump'))).rejects.toThrow('There is no file');
    expect(await db.introspection.getTables()).toEqual([]);
    await db.destroy();
    await expect(dumpDatabase(bin, urlOf('not_there'), join(folder, 'failed.dump'))).rejects.toThrow(
      'could not be written',
    );
    expect(readdirSync(folder).filter((name) => name.startsWith('failed'))).toEqual([]);
  });

  it('of each day is kept for seven days', async () => {
    const days = mkdtempSync(join(folder, 'days-'));
    writeFileSync(join(days, 'mine.dump'), 'not Bogen’s own');
    for (let day = 1; day <= 9; day++) {
      await backupToday(bin, urlOf('test_backup'), days, new Date(Date.UTC(2027, 0, day, 12)));
    }
    expect(readdirSync(days).sort()).toEqual([
      ...[3, 4, 5, 6, 7, 8, 9].map((day) => `bogen-2027-01-0${day}.dump`),
      'mine.dump',
    ]);
  });
});

describe('a data folder', () => {
  it('is for one at a time, and free again after one that was cut off', () => {
    const data = join(folder, 'data');
    const letGo = lockFolder(data);
    const other = (): string =>
      execFileSync(
        process.execPath,
        [
          '-e',
          `import('${root}scripts/folderLock.mjs').then((m) => { m.lockFolder(${JSON.stringify(data)}); process.kill(process.pid, 'SIGKILL'); }).catch((error) => console.log(error.message))`,
        ],
        { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] },
      );
    expect(other()).toContain('Bogen runs already on the data');
    letGo();
    expect(existsSync(join(data, 'in-use'))).toBe(false);
    // It is killed while it holds the folder.
    expect(other).toThrow();
    expect(existsSync(join(data, 'in-use'))).toBe(true);
    lockFolder(data)();
  });
});

describe('the demo', () => {
  it('is loaded anew where loading was cut off, and only there', { timeout: 120_000 }, async () => {
    const { db, url } = await emptyDatabase('test_half');
    await migrateDatabase(db);
    await loadDemo(db, server.pool);
    const whole = (await contentOf(db))['stream_step']!.split(' ')[0];
    // As it is when the process ends in the middle.
    await db
      .updateTable('loaded')
      .set({ done_at: null as never })
      .execute();
    await sql`delete from student where id in (select id from student limit 5)`.execute(db);
    const second = connect(url);
    await Promise.all([loadDemo(db, server.pool), loadDemo(second, server.pool)]);
    await second.destroy();
    expect((await contentOf(db))['stream_step']!.split(' ')[0]).toBe(whole);
    expect(await db.selectFrom('instructor').select('email').execute()).toEqual([
      { email: instructor.email },
    ]);
    // What others made is nobody's to take away.
    await db
      .updateTable('loaded')
      .set({ done_at: null as never })
      .execute();
    await db
      .insertInto('instructor')
      .values({ email: 'new@ellerbrook.example', name: 'New', password_hash: 'x' })
      .execute();
    const kept = await contentOf(db);
    await loadDemo(db, server.pool);
    expect(await contentOf(db)).toEqual(kept);
    await db.destroy();
  });
});

describe('a database of a newer version', () => {
  it('is left alone, and says which version it needs', async () => {
    const { db } = await emptyDatabase('test_newer');
    await migrateDatabase(db);
    await sql`insert into kysely_migration (name, timestamp) values ('999-later', '2030-01-01')`.execute(db);
    const before = await contentOf(db);
    await expect(migrateDatabase(db)).rejects.toThrow(/newer version of Bogen, which has the step 999-later/);
    expect(await contentOf(db)).toEqual(before);
    await db.destroy();
  });
});
