import { basisOf, samplesOf } from '@bogen/core/figure';
import * as curveCore from '@bogen/core/curve';
import * as figureCore from '@bogen/core/figure';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { editPointsOf, evaluationOf, largestCurvature, lengthOf } from '../src/figure/geometry/geometry.js';
import { prepareFigures, sheetsByNearness, stepsToPrepare } from '../src/sheet/prepare.js';
import { fakeBitmaps, palette, type FakeBitmap } from './support/canvas.js';
import { figure, reversed, wave } from './support/figures.js';

function spiedOn<All extends object>(all: All, names: readonly (keyof All)[]): All {
  return { ...all, ...Object.fromEntries(names.map((name) => [name, vi.fn(all[name] as never)])) };
}

vi.mock('@bogen/core/curve', async (original) =>
  spiedOn(await original<typeof curveCore>(), ['lengthOfCurve', 'editPoints']),
);
// Within the core curves are sampled by these files themselves.
vi.mock('../../core/src/curve/sample.js', async (original) =>
  spiedOn(await original<typeof curveCore>(), ['sampleCurve']),
);
vi.mock('../../core/src/curve/sampleBasis.js', async (original) =>
  spiedOn(await original<typeof curveCore>(), ['sampleBasis']),
);
vi.mock('@bogen/core/figure', async (original) =>
  spiedOn(await original<typeof figureCore>(), ['evaluateFigure']),
);

const opened = (height: number): figureCore.FigureDocument => ({
  ...figure(
    { id: 'a', name: 'A', kind: 'curve', curve: wave(12, height) },
    reversed,
    { id: 'h', name: 'H', kind: 'curve', curve: wave(9, height), hidden: true },
    { id: 'p', name: 'P', kind: 'point', at: [0, 0] },
  ),
  shown: { controlPoints: true, polygon: true, knots: true, labels: true, editPoints: true, comb: true },
  rail: { item: 'a', tracks: ['knots'] },
});

vi.mock('../src/theme/fonts.js', () => ({ useFonts: { subscribe: () => undefined } }));

let made: FakeBitmap[];
beforeEach(() => {
  vi.clearAllMocks();
  made = fakeBitmaps();
});
afterEach(() => vi.unstubAllGlobals());

describe('a figure that is prepared', () => {
  it('asks nothing more of the core when it is opened', () => {
    const document = opened(10);
    const steps = [...stepsToPrepare(document, palette)];
    expect(steps.length).toBeGreaterThan(3);
    // Both curves that are seen, and not the hidden one.
    expect(curveCore.sampleCurve).toHaveBeenCalledTimes(2);
    vi.clearAllMocks();
    const { items } = evaluationOf(document);
    const curves = ['a', 'r'].map((id) => figureCore.curveOf({ items, inputs: new Map() }, id)!);
    for (const curve of curves) [samplesOf, largestCurvature, editPointsOf].forEach((of) => of(curve));
    basisOf(curves[0]!);
    lengthOf(curves[0]!);
    const { sampleCurve, sampleBasis, lengthOfCurve, editPoints } = curveCore;
    for (const call of [sampleCurve, sampleBasis, lengthOfCurve, editPoints, figureCore.evaluateFigure]) {
      expect(call).not.toHaveBeenCalled();
    }
  });

  it('has made the names and rings of its points, and keeps nothing else of what was drawn', () => {
    const document = opened(15);
    const other = { ...palette };
    expect([...stepsToPrepare(document, other)].length).toBeGreaterThan(6);
    const [sheets, scratch] = [true, false].map((large) => made.filter(({ width }) => width > 1 === large));
    expect(sheets!.flatMap(({ drawn }) => drawn.named('fillText')).length).toBeGreaterThan(12);
    expect(sheets!.some(({ closed }) => closed)).toBe(false);
    // Four items, what lies over them, and one track.
    expect(scratch).toHaveLength(6);
    expect(scratch!.every(({ closed }) => closed)).toBe(true);
    expect([...stepsToPrepare(document, other)]).toEqual([]);
    // A second figure with the same names makes none.
    made.length = 0;
    expect([...stepsToPrepare(opened(16), other)].length).toBeGreaterThan(6);
    expect(made.every(({ width }) => width === 1)).toBe(true);
  });

  it('is so one after the other, while the page is idle and no longer', () => {
    const idle: ((deadline: { timeRemaining: () => number }) => void)[] = [];
    vi.stubGlobal('requestIdleCallback', (work: never) => idle.push(work));
    const cancelled: number[] = [];
    vi.stubGlobal('cancelIdleCallback', (id: number) => cancelled.push(id));
    const stop = prepareFigures([opened(20), opened(30)], palette);
    expect(figureCore.evaluateFigure).not.toHaveBeenCalled();
    const times = [40, 40, 2];
    idle[0]!({ timeRemaining: () => times.shift()! });
    expect(figureCore.evaluateFigure).toHaveBeenCalledTimes(1);
    expect(curveCore.sampleCurve).toHaveBeenCalledTimes(1);
    expect(idle).toHaveLength(2);
    idle[1]!({ timeRemaining: () => 40 });
    expect(figureCore.evaluateFigure).toHaveBeenCalledTimes(2);
    expect(curveCore.sampleCurve).toHaveBeenCalledTimes(4);
    expect(idle).toHaveLength(2);
    stop();
    expect(cancelled).toEqual([2]);
  });

  it('is so too in a browser that does not tell when it is idle', () => {
    vi.useFakeTimers();
    const stop = prepareFigures([opened(40)], palette);
    vi.advanceTimersByTime(150);
    expect(figureCore.evaluateFigure).toHaveBeenCalledTimes(1);
    expect(curveCore.sampleCurve).not.toHaveBeenCalled();
    vi.advanceTimersByTime(100);
    expect(curveCore.sampleCurve).toHaveBeenCalledTimes(1);
    stop();
    vi.advanceTimersByTime(5000);
    expect(curveCore.sampleCurve).toHaveBeenCalledTimes(1);
    vi.useRealTimers();
  });
});

describe('the other sheets', () => {
  it('are ordered from the next one on, outwards', () => {
    expect(sheetsByNearness(['a', 'b', 'c', 'd', 'e'], 2)).toEqual(['d', 'b', 'e', 'a']);
    expect(sheetsByNearness(['a', 'b', 'c'], 0)).toEqual(['b', 'c']);
    expect(sheetsByNearness(['a'], 0)).toEqual([]);
  });
});
