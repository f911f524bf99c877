import { applyFigureCommand, type FigureCommand, type FigureDocument } from '@bogen/core/figure';
import { CommandError, told, type Told } from '@bogen/core/lesson';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { hostThrough, tellingWhy, type Ending } from '../src/figure/scene/pipeline.js';
import { fetchPassage, StagedHost } from '../src/stage/stagedHost.js';
import { WorkHost } from '../src/reader/workHost.js';
import { editedFigure } from '../src/saving/editedFigure.js';
import { endingOf } from '../src/saving/ending.js';
import { curve, figure } from './support/figures.js';
import { fakeFrames, FakeHost } from './support/host.js';

const move = (index: number, to: number[]): FigureCommand => ({
  name: 'moveControlPoint',
  item: 'a',
  index,
  to,
});
const before: FigureDocument = {
  ...figure(curve),
  loose: { a: { controlPoints: [1, 2], editPoints: [] } },
};
const after = applyFigureCommand(before, move(2, [90, 10])).document;
const refusal = new CommandError(told('mendStageFirst'));

describe('a command on its way', () => {
  it('passes the list in its order, shown and done alike', () => {
    const edited = editedFigure(before);
    const seen: [string, FigureCommand][] = [];
    const host = hostThrough(
      endingOf(edited),
      [
        (command) => {
          seen.push(['first', command]);
          return { name: 'batch', commands: [move(1, [1, 1]), command] } as FigureCommand;
        },
        (command, now) => {
          expect(now).toBe(before);
          seen.push(['second', command]);
          return command;
        },
      ],
      { may: () => true },
    );
    host.preview(move(2, [5, 5]));
    expect(host.motion()).toBe('hand');
    expect(seen.map(([name, { name: kind }]) => [name, kind])).toEqual([
      ['first', 'moveControlPoint'],
      ['second', 'batch'],
    ]);
    host.preview(null);
    expect(host.read()).toBe(before);
    host.do(move(2, [5, 5]));
    const [item] = host.read().items;
    expect(item?.kind === 'curve' && item.curve.points.slice(1, 3)).toEqual([
      [1, 1],
      [5, 5],
    ]);
  });

  it('ends where it is refused, which is told; and is told as well when one is done', () => {
    const ending: Ending = { ...endingOf(editedFigure(before)), do: vi.fn() };
    let isRefused = true;
    const refuse = (command: FigureCommand): FigureCommand => {
      if (isRefused) throw refusal;
      return command;
    };
    const said: (Told | null)[] = [];
    const host = tellingWhy(hostThrough(ending, [refuse], { may: () => true }), (why) => said.push(why));
    expect(() => host.do(move(1, [0, 0]))).toThrow(refusal);
    expect(ending.do).not.toHaveBeenCalled();
    isRefused = false;
    host.do(move(1, [0, 0]));
    expect(ending.do).toHaveBeenCalledTimes(1);
    expect(said).toEqual([refusal.told, null]);
  });
});

describe('the way from stage to stage', () => {
  let frames: ReturnType<typeof fakeFrames>;
  beforeEach(async () => {
    frames = fakeFrames();
    vi.stubGlobal('matchMedia', () => ({ matches: false }));
    await fetchPassage();
  });
  afterEach(() => void vi.unstubAllGlobals());

  it('goes on when the work on the stage comes as the way leads to it, and ends when it is another', () => {
    const host = new StagedHost(new FakeHost(before));
    host.subscribe(() => undefined);
    const work = new WorkHost(after, true, after);
    host.goTo(work);
    expect(host.motion()).toBe('playing');
    work.receive(editedFigure(after));
    expect(host.motion()).toBe('playing');
    expect(host.read()).not.toBe(after);
    work.receive(editedFigure(before));
    expect(host.motion()).toBe('rest');
    expect(host.read()).toBe(before);
    expect(frames.waiting).toBe(0);
  });

  it('is over for whoever takes hold of the figure, and when nobody looks any more', () => {
    const stage = new FakeHost(after);
    const host = new StagedHost(new FakeHost(before));
    const leave = host.subscribe(() => undefined);
    host.goTo(stage);
    host.preview(move(1, [3, 3]));
    expect(host.motion()).toBe('hand');
    host.preview(null);
    host.goTo(new FakeHost(before));
    expect(host.motion()).toBe('playing');
    leave();
    expect(host.motion()).toBe('rest');
    expect(frames.waiting).toBe(0);
  });
});
