import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { root } from '../../scripts/packages.mjs';
import { Pool, type PoolOptions } from '../src/pool/pool.js';

/**
 * What the threads of tests run: the built file, since each that translates the sources first takes seconds to begin, and
 * there is one for every kind of job. `cluster.ts` builds it before all tests.
 */
const file = pathToFileURL(join(root, 'server', 'dist', 'worker', 'worker.js'));

/** A pool for tests, of one thread for each kind of job. */
export const testPool = (options: Partial<PoolOptions> = {}): Pool =>
  new Pool({ threads: 1, file, ...options });
