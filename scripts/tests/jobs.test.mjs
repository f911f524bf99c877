import { describe, expect, it } from 'vitest';
import { runJobs } from '../test/jobs.mjs';

/** A job that can be ended from outside, and tells when it began. */
function job(name, began, more = {}) {
  let end;
  const ended = new Promise((resolve) => (end = resolve));
  const work = () => {
    began.push(name);
    return ended;
  };
  return { job: { name, work, ...more }, end: (ok = true) => end({ ok, output: `${name} ended` }) };
}
const turn = () => new Promise((resolve) => setTimeout(resolve, 0));

describe('the jobs of a test run', () => {
  it('begin as soon as what they need is done and there are cores', async () => {
    const began = [];
    const [build, units, lint, browser] = [
      job('build', began),
      job('units', began, { cores: 2 }),
      job('lint', began),
      job('browser', began, { after: ['build'], cores: Infinity }),
    ];
    const results = runJobs(
      [build, units, lint, browser].map((one) => one.job),
      2,
      () => undefined,
    );
    await turn();
    expect(began).toEqual(['build', 'lint']);
    build.end();
    lint.end();
    await turn();
    expect(began).toEqual(['build', 'lint', 'units']);
    units.end();
    await turn();
    expect(began).toEqual(['build', 'lint', 'units', 'browser']);
    browser.end();
    expect((await results).map(({ name, ok }) => [name, ok])).toEqual([
      ['build', true],
      ['lint', true],
      ['units', true],
      ['browser', true],
    ]);
  });

  it('are not run after one that failed, and fail with it', async () => {
    const began = [];
    const [build, browser] = [
      job('build', began),
      job('browser', began, { after: ['build', 'not planned'] }),
    ];
    const told = [];
    const results = runJobs([build.job, browser.job], 2, ({ name, output }) => told.push([name, output]));
    build.end(false);
    expect((await results).map(({ ok }) => ok)).toEqual([false, false]);
    expect(began).toEqual(['build']);
    expect(told).toEqual([
      ['build', 'build ended'],
      ['browser', 'Not run, since “build” failed.'],
    ]);
  });

  it('that throw have failed with what was thrown', async () => {
    const work = () => Promise.reject(new Error('no room'));
    expect(await runJobs([{ name: 'one', work }], 1, () => undefined)).toMatchObject([
      { name: 'one', ok: false, output: 'no room' },
    ]);
  });
});
