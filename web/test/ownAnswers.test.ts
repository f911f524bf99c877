import type { AloneLesson } from '@bogen/contract';
import { sheetFor, type Sheet, type Task } from '@bogen/core/lesson';
import { nearAndFar } from '@bogen/demo';
import { describe, expect, it } from 'vitest';
import { openKeeping, type Keeping } from '../src/alone/keeping.js';
import { OwnAnswers } from '../src/alone/ownAnswers.js';

const task: Task = {
  id: 'height',
  stage: 'first',
  prompt: 'How high does P6 lie?',
  hints: [],
  kind: 'number',
  measure: { of: 'coordinate', item: 'waist', point: 'controlPoints', index: 6, axis: 1 },
  tolerance: 1e-6,
  varied: [{ of: 'point', item: 'waist', point: 'controlPoints', index: 6, by: 4 }],
};
const written: Sheet = { ...nearAndFar.sheets[0]!, tasks: [task] };
const lesson = {
  reading: {
    lesson: 'lesson',
    title: nearAndFar.title,
    courseTitle: 'Course',
    edition: { id: 'edition', number: 1 },
    newestEdition: 1,
    terms: [],
    sheets: [written],
  },
  pictures: {},
} as unknown as AloneLesson;

/** Asks as the reader's pages ask a server. */
async function asked(keeping: Keeping, method: string, path: string, body?: object) {
  const { fetch: ask } = new OwnAnswers(lesson, keeping);
  const answer = await ask(`/api${path}`, { method, ...(body && { body: JSON.stringify(body) }) });
  expect(answer.status).toBe(200);
  return (await answer.json()) as Record<string, unknown>;
}
const heightIn = (figure: unknown): number =>
  (figure as { items: { curve: { points: number[][] } }[] }).items[0]!.curve.points[6]![1]!;
const firstSheet = (reading: Record<string, unknown>): Sheet => (reading['sheets'] as Sheet[])[0]!;

describe('what is different for each student, in a lesson that stands alone', () => {
  it('is drawn by the page, and is what is worked on and checked', async () => {
    const keeping = await openKeeping('edition');
    expect(keeping.isLasting).toBe(false);
    const own = sheetFor(written, keeping.drawnBy!);
    const reading = await asked(keeping, 'GET', '/class/lessons/lesson');
    expect(firstSheet(reading).figure).toEqual(own.figure);
    const path = `/editions/edition/sheets/${written.id}`;
    const work = await asked(keeping, 'PUT', `${path}/stages/first/work`, {});
    expect(work['document']).toEqual(own.figure);
    const check = (value: number) =>
      asked(keeping, 'POST', `${path}/tasks/height/check`, { answer: { kind: 'number', value } });
    expect(await check(heightIn(own.figure) + 0.1)).toMatchObject({ passed: false });
    expect(await check(heightIn(own.figure))).toMatchObject({ passed: true });
  });

  it('differs from browser to browser, and not where work was begun on the figure as it was written', async () => {
    const heights = new Set<number>();
    for (let k = 0; k < 8; k++) {
      const reading = await asked(await openKeeping('edition'), 'GET', '/class/lessons/lesson');
      heights.add(heightIn(firstSheet(reading).figure));
    }
    expect(heights.size).toBeGreaterThan(1);
    const earlier = { ...(await openKeeping('edition')), drawnBy: undefined };
    const reading = await asked(earlier, 'GET', '/class/lessons/lesson');
    expect(firstSheet(reading).figure).toEqual(written.figure);
  });
});
