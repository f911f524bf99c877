import { describe, expect, it } from 'vitest';
import { connect } from '../src/db/connect.js';
import { FloodCounts } from '../src/http/floodCounts.js';
import { TestServer } from './harness.js';

// The minute stays the same, so that it can't end between two requests.
const server = new TestServer(
  'floods',
  {},
  { demo: false, floods: { address: 1_000_000, session: 12, now: () => 60_000_000 } },
);

/** A ceiling of 100, of which the processes tell each other at once. */
const process = (now = () => 60_000_000) => new FloodCounts(server.db, 'session', 100, 1, now);
const times = (counts: FloodCounts, key: string, count: number): number => {
  let total = 0;
  for (let k = 0; k < count; k++) total = counts.increment(key).totalHits;
  return total;
};
/** What is written from a time on: others may still be writing down what they counted before. */
const rowsSince = (time: number) =>
  server.db.selectFrom('flood').selectAll().where('minute', '>=', new Date(time)).execute();
/** Waits until something is. */
const somethingSince = (time: number) =>
  expect.poll(async () => (await rowsSince(time)).length).toBeGreaterThanOrEqual(1);

describe('what comes in a minute', () => {
  it('has one ceiling for all processes on a database', async () => {
    const [first, second] = [process(), process()];
    expect(times(first, 'somebody', 60)).toBe(60);
    await somethingSince(60_000_000);
    expect(times(second, 'somebody', 30)).toBe(30);
    // What the other counted is added as soon as it is told.
    await expect.poll(() => second.increment('somebody').totalHits).toBeGreaterThan(90);
    await expect.poll(() => first.increment('somebody').totalHits).toBeGreaterThan(90);
    expect(second.increment('another').totalHits).toBe(1);
  });

  it('is written down only where it is much, without anybody’s name, and swept', async () => {
    const begun = 120_000_000;
    let time = begun;
    const counts = process(() => time);
    times(counts, '10.0.0.1', 9);
    times(counts, '10.0.0.2', 50);
    await somethingSince(begun);
    const rows = await rowsSince(begun);
    expect(rows).toHaveLength(1);
    expect(JSON.stringify(rows)).not.toContain('10.0.0');
    // Three minutes later all begins anew.
    time += 180_000;
    expect(times(counts, '10.0.0.2', 1)).toBe(1);
    times(counts, '10.0.0.2', 20);
    await expect.poll(async () => (await rowsSince(begun)).map((row) => Number(row.minute))).toEqual([time]);
  });

  it('is counted also where the database does not answer', async () => {
    const gone = connect(server.databaseUrl);
    await gone.destroy();
    const counts = new FloodCounts(gone, 'session', 100, 1);
    expect(times(counts, 'somebody', 50)).toBe(50);
    await new Promise((go) => setTimeout(go, 20));
    expect(counts.increment('somebody').totalHits).toBe(51);
  });

  it('is refused above the ceiling, with a time to wait', async () => {
    const visitor = server.visitor();
    const statuses: number[] = [];
    for (let k = 0; k < 14; k++) statuses.push((await visitor.fetch('/api/courses')).status);
    expect(statuses.filter((status) => status === 429).length).toBeGreaterThanOrEqual(2);
    const refused = await visitor.fetch('/api/courses');
    expect(refused.headers.get('retry-after')).toBe('60');
  });
});
