import { build, makeDemoTemplate, startCluster } from './application.js';

/** Before all tests: what they drive is built, and one cluster has the demo course, of which each worker gets a copy. */
export default async function globalSetup(): Promise<() => Promise<void>> {
  await build();
  const cluster = await startCluster();
  try {
    await makeDemoTemplate(cluster.url);
  } catch (error) {
    await cluster.discard();
    throw error;
  }
  process.env['BOGEN_E2E_CLUSTER'] = cluster.url;
  return () => cluster.discard();
}
