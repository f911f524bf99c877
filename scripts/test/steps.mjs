import { join } from 'node:path';
import process from 'node:process';
import { command } from '../command.mjs';
import { root } from '../packages.mjs';

/** A program that is run to its end; it failed if it ends with anything but 0. */
async function program(name, args, options = {}) {
  const env = { ...process.env, NO_COLOR: '1' };
  const { code, output } = await command(name, args, { cwd: root, env, ...options });
  return { ok: code === 0, output };
}

const sources = ['core/src', 'contract/src', 'server/src', 'web/src', 'demo/src'];

/** Looks for unused exports as if there were no tests: what they alone use is used by nobody. */
const withoutTests = [
  '--production',
  '--no-progress',
  '--include',
  'exports,types,files',
  '-c',
  'knip.production.json',
];

/** Format, lint with types, and the rules of imports. */
export const lintJobs = [
  { name: 'format', work: () => program('npx', ['oxfmt', '--check']) },
  { name: 'lint and types', cores: 2, work: () => program('npx', ['oxlint', '--type-check']) },
  {
    name: 'imports',
    work: () => program('npx', ['depcruise', '--config', '.dependency-cruiser.cjs', ...sources]),
  },
  { name: 'unused exports and packages', work: () => program('npx', ['knip', '--no-progress']) },
  { name: 'what only tests use', work: () => program('npx', ['knip', ...withoutTests]) },
  {
    name: 'circles of imports',
    work: () => program(process.execPath, [join(root, 'scripts', 'rooms.mjs')]),
  },
];

/** The unit tests of some parts, in one run; of those the ones that a change since a revision touches, if one is given. */
export const unitJob = (parts, report, since) => ({
  name: `unit tests of ${parts.join(', ')}`,
  cores: 2,
  work: async () => {
    const { ok, output } = await program('npx', [
      ...['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${report}`],
      ...parts.flatMap((part) => ['--project', `${part}*`]),
      ...(since === undefined ? [] : ['--changed', since, '--passWithNoTests']),
    ]);
    // What failed is told by the report as well; what went well need not be.
    return { ok, output: ok ? '' : output };
  },
});

/** The application as it is served, which the end-to-end tests drive. */
export const buildJobs = [
  {
    name: 'build of the web application',
    work: async () => {
      const { buildWeb } = await import('../build.mjs');
      await buildWeb('quick');
      return { ok: true };
    },
  },
  {
    name: 'build of the server',
    work: async () => {
      const { buildServer } = await import('../build.mjs');
      await buildServer();
      return { ok: true };
    },
  },
];

export const firstLoadJob = {
  name: 'first loads',
  after: ['build of the web application'],
  work: async () => {
    const { judgedLoad, measuredLoads } = await import('../firstLoad.mjs');
    const judged = measuredLoads().loads.map(judgedLoad);
    return { ok: judged.every(({ ok }) => ok), output: judged.map(({ line }) => line).join('\n') };
  },
};

/** The end-to-end tests, or those of some files by their names; what they print is shown while they run. */
export const endToEndJob = (report, specs = []) => ({
  name: 'end-to-end tests',
  after: ['build of the web application', 'build of the server'],
  cores: Infinity,
  work: () =>
    program('npx', ['playwright', 'test', ...specs.map((spec) => `tests/${spec}.spec.ts`)], {
      show: true,
      cwd: join(root, 'e2e'),
      env: { ...process.env, BOGEN_E2E_REPORT: report },
    }),
});
