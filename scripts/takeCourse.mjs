import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { courseTitle, instructor } from '@bogen/demo';
import { command } from './command.mjs';
import { root } from './packages.mjs';
import { run } from './say.mjs';

/**
 * Takes the lessons of the demo course from a running application, as the writer gives them out, into demo/lessons.
 * The address is given, or that of `npm start`.
 */
await run(async () => {
  const address = process.argv[2] ?? `http://localhost:${process.env.BOGEN_PORT ?? 4870}`;
  const folder = join(root, 'demo', 'lessons');
  let cookie = '';
  const ask = async (path, options = {}) => {
    const answer = await fetch(new URL(`/api${path}`, address), {
      ...options,
      headers: { 'content-type': 'application/json', origin: address, cookie },
    });
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
    const set = answer.headers.getSetCookie();
    if (set.length > 0) cookie = set.map((one) => one.split(';')[0]).join('; ');
    return await answer.json();
  };
  const { email, password } = instructor;
  await ask('/sign-in', { method: 'POST', body: JSON.stringify({ email, password }) });
  const { courses } = await ask('/shelf');
  const { lessons } = courses.find(({ title }) => title === courseTitle);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  for (const [index, { id, title }] of lessons.entries()) {
    const name = title.toLowerCase().replace(/[^a-z]+/g, '-');
    const file = join(folder, `${index + 1}-${name}.json`);
    const text = JSON.stringify(await ask(`/lessons/${id}/file`));
    writeFileSync(file, text);
    console.log(`demo/lessons/${name}: ${Math.round(text.length / 1000)} kB`);
  }
  await command('npx', ['oxfmt', folder], { cwd: root });
});
