import { insertKnot, type Curve } from '@bogen/core/curve';
import { emptyFigure, type FigureDocument } from '@bogen/core/figure';
import {
  checkTask,
  conditions,
  firstCondition,
  firstStageId,
  newSheet,
  offeredQuestions,
  stepBetween,
  type ConditionKind,
  type Task,
  type TaskAnswer,
} from '@bogen/core/lesson';
import { afterAll, describe, expect, it } from 'vitest';
import { testPool } from './pool.js';

const pool = testPool({ limit: 20_000 });
afterAll(() => pool.close());

/** Numbers from 0 to 1, the same in every run. */
function shares(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** A curve of some degree on random points, at times with weights, a double knot, or points on one another. */
function randomCurve(share: () => number): Curve {
  const degree = 2 + Math.floor(share() * 3);
  const count = degree + 2 + Math.floor(share() * 5);
  const points = Array.from({ length: count }, (_, k) => [k * 10 + share() * 8, (share() - 0.5) * 60]);
  if (share() < 0.2) points[2] = points[1]!;
  const inside = Array.from(
    { length: count - degree - 1 },
    (_, k) => (k + 0.2 + 0.6 * share()) / (count - degree),
  );
  const knots = [...Array<number>(degree + 1).fill(0), ...inside, ...Array<number>(degree + 1).fill(1)];
  const weights = share() < 0.4 ? points.map(() => 10 ** (2 * share() - 1)) : undefined;
  const curve: Curve = { degree, knots, points, ...(weights ? { weights } : {}) };
  return share() < 0.3 ? insertKnot(curve, inside[0] ?? 0.5) : curve;
}

const randomFigure = (share: () => number): FigureDocument => ({
  ...emptyFigure(),
  items: [
    { id: 'c', name: 'C', kind: 'curve', curve: randomCurve(share) },
    { id: 'd', name: 'D', kind: 'curve', curve: randomCurve(share) },
    { id: 'p', name: 'P', kind: 'point', at: [20 * share(), 20 * share()] },
  ],
  rail: { item: 'c', tracks: [] },
});

const any = { id: 't', stage: firstStageId, prompt: '', hints: [] };

/** What the server would answer, as a browser gets it. */
async function there(
  sheet: Parameters<typeof checkTask>[0],
  task: Task,
  attempt: Parameters<typeof checkTask>[2],
) {
  const { results } = await pool.run('check', sheet, task, attempt);
  return JSON.parse(JSON.stringify(results)) as unknown;
}

describe('the same verdict here and there, on random figures', () => {
  it('of every kind of condition', async () => {
    const share = shares(20261127);
    const met = new Set<ConditionKind>();
    const failed = new Set<ConditionKind>();
    for (let run = 0; run < 12; run++) {
      const [start, figure] = [randomFigure(share), randomFigure(share)];
      const asked = (Object.keys(conditions) as ConditionKind[]).flatMap((kind) => {
        const condition = firstCondition(kind, run % 2 ? figure : start, 'c', share());
        return condition ? [condition] : [];
      });
      const task: Task = { ...any, kind: 'shape', conditions: asked };
      const sheet = newSheet({ id: 's', title: 'S', figure: start, tasks: [task] });
      const here = checkTask(sheet, task, { start, figure });
      expect(await there(sheet, task, { start, figure })).toEqual(JSON.parse(JSON.stringify(here)));
      here.forEach((result, index) => (result.met ? met : failed).add(asked[index]!.kind));
    }
    // Most kinds came out both ways, so that agreeing means something.
    expect(met.size).toBeGreaterThan(20);
    expect(failed.size).toBeGreaterThan(15);
  }, 60_000);

  it('of every kind of prediction', async () => {
    const share = shares(7);
    for (let run = 0; run < 8; run++) {
      const [before, after] = [randomFigure(share), randomFigure(share)];
      const questions = offeredQuestions('c', stepBetween(before, after)).slice(0, 6);
      const task: Task = { ...any, kind: 'prediction', to: 'later', questions };
      const sheet = newSheet({
        id: 's',
        title: 'S',
        figure: before,
        stages: [
          { id: firstStageId, caption: '', commands: [] },
          {
            id: 'later',
            caption: '',
            commands: [
              { name: 'setCurve', item: 'c', curve: (after.items[0] as never as { curve: Curve }).curve },
            ],
          },
        ],
        tasks: [task],
      });
      const answer: TaskAnswer = {
        kind: 'prediction',
        guesses: questions.map(({ of }) => {
          if (of === 'spans') return { of, spans: [0, 1] };
          if (of === 'place') return { of, at: [share() * 50, share() * 20] };
          if (of === 'drawn')
            return { of, places: Array.from({ length: 20 }, (_, k) => [k * 4, share() * 30]) };
          return of === 'count' ? { of, value: 7 } : { of, holds: share() < 0.5 };
        }),
      };
      const attempt = { start: before, figure: before, answer };
      const here = checkTask(sheet, task, attempt);
      expect(await there(sheet, task, attempt)).toEqual(JSON.parse(JSON.stringify(here)));
    }
  }, 60_000);
});
