import { readFileSync } from 'node:fs';
import { expect } from 'vitest';
import type { Curve, Point } from '../../src/index.js';

/** The reference cases of one file. */
export function referenceCases<Case>(name: string): Case[] {
  const path = new URL(`../reference/${name}.json`, import.meta.url);
  return (JSON.parse(readFileSync(path, 'utf8')) as { cases: Case[] }).cases;
}

/** Weights that are all one stand for a polynomial curve in the reference files. */
export function withoutUnitWeights(curve: Curve): Curve {
  const { weights, ...rest } = curve;
  return weights && weights.some((weight) => weight !== 1) ? curve : rest;
}

/** Expects two vectors to agree within a relative error of the larger one's size. */
export function expectClose(actual: Point, expected: Point, relative: number, scale = 0): void {
  const size = Math.max(scale, ...expected.map(Math.abs), 1e-300);
  const error = Math.max(...actual.map((coordinate, axis) => Math.abs(coordinate - expected[axis]!)));
  expect(error, `${actual.join(', ')} against ${expected.join(', ')}`).toBeLessThanOrEqual(relative * size);
}
