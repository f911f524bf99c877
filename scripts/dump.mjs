import { existsSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { command } from './command.mjs';
import { Trouble } from './say.mjs';

const lastLines = (text) => text.trim().split('\n').slice(-4).join('\n');

/** One of PostgreSQL's programs on a database, with the password where other users of the machine don't see it. */
function onDatabase(bin, program, url, args) {
  const address = new URL(url);
  const env = { ...process.env, PGPASSWORD: decodeURIComponent(address.password) };
  address.password = '';
  return command(join(bin, program), [...args, `--dbname=${address}`], { env });
}

/**
 * Writes all of a database to a file while others work on it: as it is at one moment, pictures included. The file is read
 * through to its end before it takes its name, so that what has the name is whole.
 * @param bin the folder of PostgreSQL's programs
 * @param url of the database
 */
export async function dumpDatabase(bin, url, file) {
  const part = `${file}.part`;
  rmSync(part, { force: true });
  const args = ['--format=custom', '--no-owner', '--no-privileges', `--file=${part}`];
  const dumped = await onDatabase(bin, 'pg_dump', url, args);
  if (dumped.code !== 0) {
    rmSync(part, { force: true });
    throw new Trouble(`The backup could not be written to ${file}:\n${lastLines(dumped.output)}`);
  }
  await checkDump(bin, part, file);
  renameSync(part, file);
}

/** Reads a backup through, and says so where it is none or is cut off. */
async function checkDump(bin, file, name = file) {
  const { code, output } = await command(join(bin, 'pg_restore'), ['--file=/dev/null', file]);
  if (code !== 0) throw new Trouble(`${name} is no whole backup:\n${lastLines(output)}`);
}

/**
 * Reads a backup into an empty database, all of it or nothing.
 * @throws Trouble where there is no such file, it is no whole backup, or there is something in the database
 */
export async function restoreDatabase(bin, url, file) {
  if (!existsSync(file)) throw new Trouble(`There is no file ${file}.`);
  await checkDump(bin, file);
  const count = await onDatabase(bin, 'psql', url, ['-X', '-A', '-t', '-c', countOfTables]);
  if (count.code !== 0) throw new Trouble(`The database can't be reached:\n${lastLines(count.output)}`);
  if (count.output.trim() !== '0') {
    throw new Trouble(
      'The database is not empty, and nothing was changed. A backup is read into an empty one: set BOGEN_DATA to a new folder, or DATABASE_URL to a new database.',
    );
  }
  const args = ['--no-owner', '--no-privileges', '--single-transaction', '--exit-on-error'];
  const restored = await onDatabase(bin, 'pg_restore', url, [...args, file]);
  if (restored.code !== 0) {
    throw new Trouble(
      `The backup could not be read into the database, which was left empty:\n${lastLines(restored.output)}`,
    );
  }
}

const countOfTables =
  "select count(*) from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'public'";

const dailyName = /^bogen-\d{4}-\d{2}-\d{2}\.dump$/;
const keptDays = 7;

/** The backups that a start has kept by itself, the oldest first. */
export function dailyBackups(folder) {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => dailyName.test(name))
    .sort()
    .map((name) => join(folder, name));
}

/** Writes today's backup where there is none, and lets those go that are older than the last seven. */
export async function backupToday(bin, url, folder, today = new Date()) {
  const file = join(folder, `bogen-${today.toISOString().slice(0, 10)}.dump`);
  if (!existsSync(file)) await dumpDatabase(bin, url, file);
  for (const old of dailyBackups(folder).slice(0, -keptDays)) rmSync(old, { force: true });
}
