import { resolve } from 'node:path';
import { dataFolder, freePort, startCluster } from './cluster.mjs';
import { restoreDatabase } from './dump.mjs';
import { lockFolder } from './folderLock.mjs';
import { ensurePostgres } from './packages.mjs';
import { run, Trouble } from './say.mjs';

/** `npm run restore FILE`: a backup into an empty database, that of the data folder where DATABASE_URL names no other. */
await run(async () => {
  const [name] = process.argv.slice(2);
  if (!name) throw new Trouble('Say which backup to read, for example: npm run restore bogen.dump');
  const file = resolve(process.env.INIT_CWD ?? '.', name);
  const bin = await ensurePostgres();
  const url = process.env.DATABASE_URL;
  if (url) {
    await restoreDatabase(bin, url, file);
    console.log(`Restored from ${file}`);
    return;
  }
  const folder = dataFolder();
  const letGo = lockFolder(folder);
  try {
    const cluster = await startCluster(bin, folder, await freePort());
    try {
      await restoreDatabase(cluster.bin, cluster.url, file);
    } finally {
      await cluster.stop();
    }
  } finally {
    letGo();
  }
  console.log(`Restored from ${file} into ${folder}; npm start goes on with it.`);
});
