import { command } from '../command.mjs';
import { root } from '../packages.mjs';
import { Trouble } from '../say.mjs';

/**
 * The files that differ from a revision, those that are not committed and not known to git among them.
 * @throws Trouble where git does not know the revision
 */
export async function changedSince(revision) {
  const lines = async (...args) => {
    const { code, output } = await command('git', args, { cwd: root });
    if (code !== 0) throw new Trouble(`git does not know “${revision}”: ${output.trim().split('\n')[0]}`);
    return output.split('\n').filter(Boolean);
  };
  const known = await lines('diff', '--name-only', revision);
  return [...new Set([...known, ...(await lines('ls-files', '--others', '--exclude-standard'))])];
}
