import { ensureNodePackages } from './packages.mjs';
import { run } from './say.mjs';

/** Builds everything that `npm run serve` serves. */
await run(async () => {
  await ensureNodePackages();
  const { buildServer, buildWeb } = await import('./build.mjs');
  await buildWeb();
  await buildServer();
  console.log('Built. Start it with npm run serve.');
});
