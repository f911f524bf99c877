import { readFileSync } from 'node:fs';
import { expect } from 'vitest';
import type { Point } from '../../src/curve/curve.js';

/** The reference cases of one file. */
export function referenceCases<Case>(name: string): Case[] {
  const path = new URL(`../reference/${name}.json`, import.meta.url);
  return (JSON.parse(readFileSync(path, 'utf8')) as { cases: Case[] }).cases;
}

/** Expects two vectors to agree within a relative error of the larger one's size. */
export function expectClose(actual: Point, expected: Point, relative: number, scale = 0): void {
  const size = Math.max(scale, ...expected.map(Math.abs), 1e-300);
  const error = Math.max(...actual.map((coordinate, axis) => Math.abs(coordinate - expected[axis]!)));
  expect(error, `${actual.join(', ')} against ${expected.join(', ')}`).toBeLessThanOrEqual(relative * size);
}

/**
 * The size by which a derivative's error is judged: the largest derivative up to its order on the samples,
 * since one may vanish, even everywhere, where its neighbours are huge.
 */
export function derivativeScale(
  samples: readonly { derivatives: readonly Point[] }[],
  order: number,
): number {
  return Math.max(
    ...samples.flatMap(({ derivatives }) =>
      derivatives
        .slice(1, order + 1)
        .flat()
        .map(Math.abs),
    ),
  );
}
