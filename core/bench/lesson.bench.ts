import { performance } from 'node:perf_hooks';
import { clampedUniformKnots } from '../src/curve/knotVector.js';
import type { Curve } from '../src/curve/curve.js';
import { emptyFigure, type FigureDocument } from '../src/figure/document/document.js';
import type { FigureItem } from '../src/figure/document/item.js';
import { checkTask } from '../src/lesson/checkTask.js';
import { conditions, type ConditionKind } from '../src/lesson/condition/conditions.js';
import { firstCondition } from '../src/lesson/condition/judge.js';
import { firstStageId, lessonVersion, newSheet } from '../src/lesson/lesson.js';
import { migrateLesson } from '../src/lesson/migrateLesson.js';
import { figureOfStage } from '../src/lesson/stage/states.js';
import type { Task } from '../src/lesson/task/tasks.js';

/** What a check costs, and what a long lesson costs to read and to step through. */

/** The median of some runs, in milliseconds. */
function median(runs: number, act: () => unknown): number {
  const times = Array.from({ length: runs }, () => {
    const began = performance.now();
    act();
    return performance.now() - began;
  });
  return times.toSorted((a, b) => a - b)[Math.floor(runs / 2)]!;
}

const shown = (time: number): string => `${time.toFixed(time < 10 ? 2 : 0)} ms`;

const curve = (shift: number, count = 60): Curve => ({
  degree: 3,
  knots: clampedUniformKnots(count, 3),
  points: Array.from({ length: count }, (_, k) => [k * 5, 20 * Math.sin(k / 3 + shift)]),
});
const item = (id: string, own: Curve): FigureItem => ({
  id,
  name: id.toUpperCase(),
  kind: 'curve',
  curve: own,
});
const figureOf = (items: readonly FigureItem[]): FigureDocument => ({
  ...emptyFigure(),
  items,
  rail: { item: 'c0', tracks: [] },
});

const figure = figureOf([
  ...[0, 1, 2, 3, 4].map((k) => item(`c${k}`, curve(k))),
  { id: 'p', name: 'P', kind: 'point', at: [10, 5] },
]);
console.log('A check on a figure of 5 curves of 60 points (medians, the dearest kinds)\n');
const costs = (Object.keys(conditions) as ConditionKind[]).flatMap((kind) => {
  const condition = firstCondition(kind, figure, 'c0', 0.4);
  if (!condition) return [];
  const task: Task = {
    id: 't',
    stage: firstStageId,
    prompt: '',
    hints: [],
    kind: 'shape',
    conditions: [condition],
  };
  const sheet = newSheet({ id: 's', title: 'S', figure, tasks: [task] });
  return [[kind, median(5, () => checkTask(sheet, task, { start: figure, figure }))] as const];
});
for (const [kind, time] of costs.toSorted((a, b) => b[1] - a[1]).slice(0, 6))
  console.log(`${kind.padEnd(24)} ${shown(time)}`);

/** Points that go to and fro at random, so that nothing of one curve can be passed over for another. */
const wild = (degree: number, count: number, seed: number): Curve => {
  let state = seed;
  const next = (): number => (state = (state * 1_103_515_245 + 12_345) % 2 ** 31) / 2 ** 31;
  return {
    degree,
    knots: clampedUniformKnots(count, degree),
    points: Array.from({ length: count }, () => [100 * next(), 100 * next()]),
    weights: Array.from({ length: count }, (_, k) => (k % 2 ? 1e-3 : 1e3)),
  };
};
console.log('\nA check on a hostile figure: what it may cost is bounded (the dearest kinds, each once)\n');
for (const [degree, count] of [
  [9, 210],
  [9, 2000],
  [3, 2000],
] as const) {
  const hostile = figureOf([
    item('c0', wild(degree, count, 5)),
    item('c1', wild(degree, count, 99)),
    { id: 'p', name: 'P', kind: 'point', at: [10, 5] },
  ]);
  const start = figureOf([item('c0', wild(degree, count, 7)), ...hostile.items.slice(1)]);
  const dear = (Object.keys(conditions) as ConditionKind[]).flatMap((kind) => {
    // The blanks are those of the small figure: to fill them would be the costly thing itself.
    const condition = firstCondition(kind, figure, 'c0', 0.4);
    if (!condition) return [];
    const task: Task = {
      id: 't',
      stage: firstStageId,
      prompt: '',
      hints: [],
      kind: 'shape',
      // As many as a task may have.
      conditions: Array.from({ length: 20 }, () => condition),
    };
    const sheet = newSheet({ id: 's', title: 'S', figure: start, tasks: [task] });
    return [[kind, median(1, () => checkTask(sheet, task, { start, figure: hostile }))] as const];
  });
  for (const [kind, time] of dear.toSorted((a, b) => b[1] - a[1]).slice(0, 4))
    console.log(`degree ${degree}, ${count} points, twenty times ${kind.padEnd(20)} ${shown(time)}`);
}

const sheets = Array.from({ length: 40 }, (_, number) =>
  newSheet({
    id: `s${number}`,
    title: `Sheet ${number}`,
    figure: figureOf([item('c0', curve(0, 12))]),
    stages: Array.from({ length: 30 }, (__, k) => ({
      id: k === 0 ? firstStageId : `k${k}`,
      caption: `Stage ${k}`,
      commands:
        k === 0
          ? []
          : [{ name: 'moveControlPoint' as const, item: 'c0', index: k % 12, to: [k * 4, (k * 7) % 30] }],
    })),
  }),
);
const text = JSON.stringify({ version: lessonVersion, title: 'Long', sheets });
const fresh = migrateLesson(JSON.parse(text)).sheets[20]!;
console.log('\nA lesson of 40 sheets with 30 stages each\n');
console.log(`${'as text'.padEnd(24)} ${(text.length / 1000).toFixed(0)} kB`);
console.log(`${'read'.padEnd(24)} ${shown(median(5, () => migrateLesson(JSON.parse(text))))}`);
console.log(`${'a last stage, at first'.padEnd(24)} ${shown(median(1, () => figureOfStage(fresh, 'k29')))}`);
console.log(`${'and again'.padEnd(24)} ${shown(median(9, () => figureOfStage(fresh, 'k29')))}`);
