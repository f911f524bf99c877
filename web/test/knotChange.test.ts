import { pointAt, type Curve } from '@bogen/core/curve';
import { describe, expect, it } from 'vitest';
import { outcomeOf, type KnotChange, type KnotOutcome } from '../src/rail/knotChange.js';

const curve: Curve = {
  degree: 3,
  knots: [0, 0, 0, 0, 0.25, 0.5, 0.5, 1, 1, 1, 1],
  points: [
    [0, 0],
    [10, 40],
    [30, 45],
    [55, 20],
    [70, 40],
    [90, 35],
    [100, 0],
  ],
};

function done(change: KnotChange): KnotOutcome {
  const outcome = outcomeOf(curve, 'c', change);
  if ('refused' in outcome) throw new Error(outcome.refused.code);
  return outcome;
}

describe('a change of the knots', () => {
  it('that inserts one keeps the shape, and shows every new point on its leg with its ratio', () => {
    const { command, preview, knot, order } = done({ kind: 'insert', at: 0.4 });
    expect([knot, order]).toEqual([{ value: 0.4, multiplicity: 1 }, 2]);
    expect(preview.pulls).toHaveLength(3);
    expect(preview.numbers).toHaveLength(3);
    expect(preview.pulls.map(([from]) => from)).toEqual(curve.points.slice(1, 4));
    if (command.name !== 'operate') throw new Error('no operation');
    for (const u of [0.1, 0.4, 0.45, 0.9]) {
      const [before, after] = [pointAt(curve, u), pointAt(command.curve, u)];
      before.forEach((value, axis) => expect(after[axis]).toBeCloseTo(value, 9));
    }
  });

  it('that moves one onto its neighbour says what continuity is left', () => {
    const onto = done({ kind: 'move', knot: 0.25, to: 0.5 });
    expect([onto.knot, onto.order]).toEqual([{ value: 0.5, multiplicity: 3 }, 0]);
    const beside = done({ kind: 'move', knot: 0.25, to: 0.3 });
    expect([beside.knot, beside.order]).toEqual([{ value: 0.3, multiplicity: 1 }, 2]);
    expect(beside.command).toEqual({ name: 'moveKnot', item: 'c', knot: 0.25, to: 0.3 });
  });

  it('that takes one out tells how far the curve moves, and where', () => {
    const once = done({ kind: 'remove', knot: 0.5, times: 1 });
    expect([once.knot, once.order]).toEqual([{ value: 0.5, multiplicity: 1 }, 2]);
    expect(once.deviation).toBeGreaterThan(0);
    expect(once.preview.numbers).toHaveLength(1);
    const all = done({ kind: 'remove', knot: 0.5, times: 2 });
    expect([all.knot, all.order]).toEqual([{ value: 0.5, multiplicity: 0 }, 3]);
    expect(all.deviation).toBeGreaterThan(0);
  });

  it.each<[string, KnotChange, string]>([
    ['above full multiplicity', { kind: 'insert', at: 0.5 }, 'none'],
    ['outside the domain', { kind: 'insert', at: 1.5 }, 'parameterOutside'],
    ['at an end, which has full multiplicity', { kind: 'insert', at: 1 }, 'knotTooOften'],
    ['of a knot that is not there', { kind: 'remove', knot: 0.7, times: 1 }, 'noKnotToRemove'],
  ])('%s is done or refused with the reason', (_, change, code) => {
    const outcome = outcomeOf(curve, 'c', change);
    expect('refused' in outcome ? outcome.refused.code : 'none').toBe(code);
  });
});
