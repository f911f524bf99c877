import type { TestProject } from 'vitest/node';
import { buildServer } from '../../scripts/build.mjs';
import { startThrowAwayCluster } from '../../scripts/cluster.mjs';
import { ensurePostgres } from '../../scripts/packages.mjs';
import { makeTemplates } from './templates.js';

declare module 'vitest' {
  interface ProvidedContext {
    clusterUrl: string;
  }
}

/** What threads run is built, and a real PostgreSQL is there for the server's tests, thrown away afterwards. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  await buildServer();
  const cluster = await startThrowAwayCluster(await ensurePostgres());
  try {
    await makeTemplates(cluster.url);
  } catch (error) {
    await cluster.discard();
    throw error;
  }
  project.provide('clusterUrl', cluster.url);
  return () => cluster.discard();
}
