import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { command } from './command.mjs';
import { Trouble } from './say.mjs';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Installs the npm packages of the lock file, where they are not there already. */
export async function ensureNodePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Trouble(`Bogen needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
  }
  const stamp = join(root, 'node_modules', '.bogen-lock');
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  console.log('Installing npm packages …');
  const { code, output } = await command('npm', ['ci', '--no-audit', '--no-fund'], { cwd: root });
  if (code !== 0)
    throw new Trouble(
      `The npm packages could not be installed:\n${output.trim().split('\n').slice(-8).join('\n')}`,
    );
  writeFileSync(stamp, hash);
}

/** The folder of PostgreSQL's server programs, the newest that is installed, or undefined. */
export function findPostgres() {
  const versions = '/usr/lib/postgresql';
  if (!existsSync(versions)) return undefined;
  return readdirSync(versions)
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => join(versions, version, 'bin'))
    .find((folder) => existsSync(join(folder, 'initdb')) && existsSync(join(folder, 'postgres')));
}

/** Chromium’s program: the one without any interface, which costs two thirds of the processor’s time, or the whole browser. */
export function findChromium() {
  return ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) =>
    existsSync(path),
  );
}

/** PostgreSQL's server programs, from Debian's packages where they are missing. */
export async function ensurePostgres() {
  if (!findPostgres()) {
    // Debian's package would start a cluster of its own; Bogen makes its own and needs no other.
    if (process.getuid?.() === 0 && !existsSync('/etc/postgresql-common/createcluster.conf')) {
      mkdirSync('/etc/postgresql-common', { recursive: true });
      writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n');
    }
    await installDebian('postgresql', 'PostgreSQL is missing');
  }
  const found = findPostgres();
  if (!found)
    throw new Trouble('PostgreSQL is missing; its server programs were not found below /usr/lib/postgresql.');
  return found;
}

/** Chromium for the end-to-end tests, from Debian's packages where it is missing. */
export async function ensureChromium() {
  const missing = 'Chromium, which the end-to-end tests drive, is missing';
  // Older releases of Debian have the whole browser alone.
  if (!findChromium())
    await installDebian('chromium-headless-shell', missing).catch(() => installDebian('chromium', missing));
  const found = findChromium();
  if (!found) throw new Trouble('Chromium is missing; install the Debian package chromium-headless-shell.');
  return found;
}

/** The programs of poppler, by which the end-to-end tests read what is printed, from Debian's packages where they are missing. */
export async function ensurePoppler() {
  const isThere = () => existsSync('/usr/bin/pdftotext');
  if (!isThere())
    await installDebian('poppler-utils', 'poppler, by which the end-to-end tests read PDF, is missing');
  if (!isThere()) throw new Trouble('poppler is missing; install the Debian package poppler-utils.');
}

async function installDebian(name, what) {
  if (process.getuid?.() !== 0) {
    throw new Trouble(`${what}, and only root may install it. Run: sudo apt-get install ${name}`);
  }
  console.log(`Installing the Debian package ${name} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  await command('apt-get', ['update'], { env });
  const { code, output } = await command(
    'apt-get',
    ['install', '-y', '--no-install-recommends', '-o', 'Dpkg::Options::=--force-confold', name],
    {
      env,
    },
  );
  if (code !== 0) {
    throw new Trouble(
      `${what}, and installing it failed:\n${output.trim().split('\n').slice(-5).join('\n')}`,
    );
  }
}
