import { describe, expect, it } from 'vitest';
import type { Curve } from '../../src/curve/curve.js';
import { pointAt } from '../../src/curve/evaluate.js';
import { insertKnot } from '../../src/curve/insertKnot.js';
import { clampedUniformKnots } from '../../src/curve/knotVector.js';
import { applyFigureCommand } from '../../src/figure/change/applyCommand.js';
import type { FigureCommand } from '../../src/figure/command/commands.js';
import { emptyFigure, type FigureDocument } from '../../src/figure/document/document.js';
import type { CurveItem } from '../../src/figure/document/item.js';
import { stepBetween } from '../../src/lesson/guess/define.js';
import { lineOf } from '../../src/lesson/guess/drawn.js';
import {
  guesses,
  judgeGuess,
  offeredQuestions,
  truthOf,
  type Guess,
  type GuessKind,
  type Question,
} from '../../src/lesson/guess/guesses.js';
import { movedSpans } from '../../src/lesson/guess/spans.js';

const points = Array.from({ length: 9 }, (_, index) => [index * 10, index % 2 === 0 ? 0 : 10]);
const curve: Curve = { degree: 3, knots: clampedUniformKnots(9, 3), points };
const before: FigureDocument = {
  ...emptyFigure(),
  items: [{ id: 'c', name: 'C', kind: 'curve', curve }],
};
const after = (command: FigureCommand): FigureDocument => applyFigureCommand(before, command).document;
const become = (next: Curve): FigureCommand => ({ name: 'setCurve', item: 'c', curve: next });
const moved = stepBetween(before, after({ name: 'moveControlPoint', item: 'c', index: 1, to: [10, 25] }));
const doubled = stepBetween(before, after(become(insertKnot(insertKnot(curve, 0.5), 0.5))));

const cases: {
  readonly [Kind in GuessKind]: { question: Question; step: typeof moved; passes: Guess; fails: Guess };
} = {
  spans: {
    question: { of: 'spans', item: 'c', within: 1e-6 },
    step: moved,
    passes: { of: 'spans', spans: [0, 1] },
    fails: { of: 'spans', spans: [0, 1, 2] },
  },
  place: {
    question: { of: 'place', item: 'c', point: 'controlPoints', index: 1, within: 1 },
    step: moved,
    passes: { of: 'place', at: [10.5, 25] },
    fails: { of: 'place', at: [10, 22] },
  },
  drawn: {
    question: { of: 'drawn', item: 'c', line: 'polygon', within: 1, scale: 1 },
    step: moved,
    passes: { of: 'drawn', places: points.with(1, [10, 24.5]) },
    fails: { of: 'drawn', places: points },
  },
  count: {
    question: { of: 'count', item: 'c', count: 'points' },
    step: doubled,
    passes: { of: 'count', value: 11 },
    fails: { of: 'count', value: 10 },
  },
  joint: {
    question: { of: 'joint', item: 'c', parameter: 0.5, continuity: 'C1' },
    step: doubled,
    passes: { of: 'joint', holds: true },
    fails: { of: 'joint', holds: false },
  },
};

describe('every kind of guess', () => {
  it.each(Object.keys(guesses) as GuessKind[])('%s is met by one guess and not by another', (kind) => {
    const { question, step, passes, fails } = cases[kind];
    expect(judgeGuess(question, passes, step).met).toBe(true);
    expect(judgeGuess(question, fails, step).met).toBe(false);
    expect(judgeGuess(question, undefined, step).met).toBe(false);
    expect(judgeGuess(question, truthOf(question, step), step)).toMatchObject({ met: true });
    // It is offered for a change that it is about, and can be asked of a curve that is there only.
    expect(offeredQuestions('c', step).map(({ of }) => of)).toContain(kind);
    expect(truthOf({ ...question, item: 'gone' }, step)).toBeUndefined();
    const other = cases[kind === 'count' ? 'joint' : 'count'].passes;
    expect(judgeGuess(question, other, step)).toEqual({ met: false, measured: null });
  });
});

describe('which spans move', () => {
  it('are those of the support of what moved', () => {
    for (let index = 0; index < points.length; index++) {
      const next = { ...curve, points: points.with(index, [index * 10, 31]) };
      const expected = Array.from({ length: 6 }, (_, span) => span).filter(
        (span) => span <= index && index <= span + 3,
      );
      expect(movedSpans(curve, next, 1e-9)).toEqual(expected);
    }
  });

  it('are none where a knot comes in, also beside one that is there', () => {
    for (const u of [0.4, 0.5, 0.5 + 1e-9, 1e-7])
      expect(movedSpans(curve, insertKnot(curve, u), 1e-9)).toEqual([]);
  });

  it('are found where the change vanishes at the ends and in the middle of a span', () => {
    const bezier: Curve = { degree: 5, knots: clampedUniformKnots(6, 5), points: points.slice(0, 6) };
    const bump = bezier.points.map(([x, y], index) => [x!, y! + [0, 0, 1, -1, 0, 0][index]!]);
    expect(movedSpans(bezier, { ...bezier, points: bump }, 1e-6)).toEqual([0]);
  });
});

describe('a drawing', () => {
  const { question, step } = cases.drawn as {
    question: Extract<Question, { of: 'drawn' }>;
    step: typeof moved;
  };
  it('is measured by its farthest place and by what it leaves out', () => {
    const short: Guess = { of: 'drawn', places: points.with(1, [10, 25]).slice(0, 8) };
    const result = judgeGuess(question, short, step);
    expect(result.met).toBe(false);
    // The last point lies this far from the last that was drawn.
    expect(result.measured).toBeCloseTo(Math.hypot(10, 10), 6);
  });

  it('of one place, or none, is no drawing', () => {
    for (const places of [
      [],
      [[1, 1]],
      [
        [1, 1],
        [1, 1],
      ],
    ])
      expect(judgeGuess(question, { of: 'drawn', places }, step)).toEqual({ met: false, measured: null });
  });

  it('the curve and its comb are lines of places on them', () => {
    const line = lineOf(curve, 'curve', 1)!;
    expect(line[0]).toEqual(pointAt(curve, 0));
    expect(line.at(-1)).toEqual(pointAt(curve, 1));
    expect(line.length).toBeLessThanOrEqual(240);
    // A circle's comb is a circle: every tooth is as long, and points outwards.
    const w = Math.SQRT1_2;
    const quarter: Curve = {
      degree: 2,
      knots: [0, 0, 0, 1, 1, 1],
      points: [
        [10, 0],
        [10, 10],
        [0, 10],
      ],
      weights: [1, w, 1],
    };
    for (const [x, y] of lineOf(quarter, 'comb', 30)!) expect(Math.hypot(x!, y!)).toBeCloseTo(13, 9);
  });
});

describe('how many', () => {
  it('there will be is told by whether a guess is too large or too small', () => {
    const { question, step } = cases.count;
    expect(judgeGuess(question, { of: 'count', value: 12 }, step)).toEqual({
      met: false,
      measured: 12,
      off: 1,
    });
  });

  it('is asked of what changes first, and of what stays too', () => {
    const counts = (step: typeof moved) =>
      offeredQuestions('c', step).flatMap((question) => (question.of === 'count' ? [question.count] : []));
    const { step } = cases.count;
    const isChanged = (what: string) => {
      const asked = { ...cases.count.question, count: what } as Question;
      const told = (at: typeof step) => truthOf(asked, at) as { readonly value: number };
      return told(step).value !== told({ before: step.before, after: step.before }).value;
    };
    const changed = counts(step).map(isChanged);
    expect(changed).toContain(true);
    expect(changed).toContain(false);
    expect(changed.lastIndexOf(true)).toBeLessThan(changed.indexOf(false));
    expect(new Set(counts(moved))).toEqual(new Set(counts(step)));
  });
});

describe('a joint', () => {
  it('is held against the continuity that is measured after the change', () => {
    const broken = insertKnot(insertKnot(curve, 0.5), 0.5);
    const kinked = { ...broken, points: broken.points.with(5, [41, 30]) };
    const step = stepBetween(before, after(become(kinked)));
    const question: Question = { of: 'joint', item: 'c', parameter: 0.5, continuity: 'C1' };
    expect(truthOf(question, step)).toEqual({ of: 'joint', holds: false });
    expect((before.items[0] as CurveItem).curve).toBe(curve);
  });
});
