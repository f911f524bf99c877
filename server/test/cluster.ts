import type { TestProject } from 'vitest/node';
// @ts-expect-error the set-up scripts are plain JavaScript, so that they run before anything is installed
import { startThrowAwayCluster } from '../../scripts/cluster.mjs';
// @ts-expect-error as above
import { ensurePostgres } from '../../scripts/packages.mjs';
import { makeTemplates } from './templates.js';

declare module 'vitest' {
  interface ProvidedContext {
    clusterUrl: string;
  }
}

interface Cluster {
  readonly url: string;
  readonly discard: () => Promise<void>;
}

/** A real PostgreSQL for the server's tests, thrown away afterwards. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const cluster = (await startThrowAwayCluster(await ensurePostgres())) as Cluster;
  try {
    await makeTemplates(cluster.url);
  } catch (error) {
    await cluster.discard();
    throw error;
  }
  project.provide('clusterUrl', cluster.url);
  return () => cluster.discard();
}
