/**
 * A job of the test run: what it is called, what has to be done before it, how many processor cores it keeps busy, and
 * what it does. `work` gives whether it succeeded and what it has to say.
 * @typedef {{
 *   name: string, after?: string[], cores?: number, work: () => Promise<{ ok: boolean, output?: string }>
 * }} Job
 */

/**
 * Runs jobs side by side: each begins when those that it comes after are done and enough cores are free, in the order of
 * the list. A job that comes after one that failed is not run, and counts as failed.
 * @param {Job[]} jobs
 * @param {number} cores how many cores there are; a job that wants more of them gets all
 * @param {(result: { name: string, ok: boolean, seconds: number, output: string }) => void} told called as each ends
 * @returns the results, in the order in which they ended
 */
export async function runJobs(jobs, cores, told) {
  const waiting = [...jobs];
  const running = new Map();
  const results = [];
  const wanted = (job) => Math.min(job.cores ?? 1, cores);
  const isDone = (name) => results.some((result) => result.name === name);
  const hasFailed = (name) => results.some((result) => result.name === name && !result.ok);
  const isPlanned = (name) => jobs.some((job) => job.name === name);
  const end = (result) => {
    results.push(result);
    told(result);
  };
  while (waiting.length > 0 || running.size > 0) {
    for (const job of [...waiting]) {
      const before = (job.after ?? []).filter(isPlanned);
      const failed = before.find(hasFailed);
      if (failed) {
        waiting.splice(waiting.indexOf(job), 1);
        end({ name: job.name, ok: false, seconds: 0, output: `Not run, since “${failed}” failed.` });
        continue;
      }
      if (!before.every(isDone)) continue;
      const busy = [...running.keys()].reduce((sum, other) => sum + wanted(other), 0);
      if (busy + wanted(job) > cores) continue;
      waiting.splice(waiting.indexOf(job), 1);
      running.set(job, finished(job));
    }
    if (running.size === 0) continue;
    const { job, result } = await Promise.race(running.values());
    running.delete(job);
    end(result);
  }
  return results;
}

async function finished(job) {
  const began = performance.now();
  const { ok, output = '' } = await job
    .work()
    .catch((error) => ({ ok: false, output: error instanceof Error ? error.message : String(error) }));
  return { job, result: { name: job.name, ok, output, seconds: (performance.now() - began) / 1000 } };
}
