import { describe, expect, it, vi } from 'vitest';
import { FigureScene } from '../src/figure/scene/scene.js';
import { curve, figure } from './support/figures.js';
import { FakeHost, fakeFrames } from './support/host.js';

describe('the parts of a scene', () => {
  it('tell only those who follow them: choosing a point is nothing to the rail', () => {
    const frames = fakeFrames();
    const scene = new FigureScene(new FakeHost(figure(curve)));
    scene.connect();
    const [rail, selection, view, axis, pointed, drawn] = Array.from({ length: 6 }, () => vi.fn());
    scene.structured.subscribe(rail!);
    scene.selected.subscribe(selection!);
    scene.viewed.subscribe(view!);
    scene.axis.subscribe(axis!);
    scene.pointed.subscribe(pointed!);
    scene.drawn.subscribe(drawn!);
    const counts = (): number[] =>
      [rail, selection, view, axis, pointed, drawn].map((one) => one!.mock.calls.length);

    const grip = { item: 'a', of: 'controlPoints', index: 1 } as const;
    scene.selected.select([grip]);
    expect(counts()).toEqual([0, 1, 0, 0, 0, 0]);
    expect(scene.selected.has(grip)).toBe(true);
    scene.viewed.setView({ left: 0, right: 1, bottom: 0, top: 1, grid: 1 });
    expect(counts()).toEqual([0, 1, 1, 0, 0, 0]);
    scene.axis.setWindow([0.2, 0.4]);
    expect(counts()).toEqual([0, 1, 1, 1, 0, 0]);
    scene.pointed.pick({ item: 'a', of: 'controlPoints', index: 1 });
    scene.previews.show('change', { places: [], pulls: [], polygon: false });
    expect(counts()).toEqual([0, 1, 1, 1, 1, 0]);
    // All of them are painted together.
    expect(frames.waiting).toBe(1);

    scene.host.do({ name: 'moveControlPoint', item: 'a', index: 1, to: [3, 4] });
    expect(counts()).toEqual([0, 1, 1, 1, 1, 1]);
    // With an item that goes, what was selected of it goes too.
    scene.host.do({ name: 'removeItem', item: 'a' });
    expect(rail).toHaveBeenCalledTimes(1);
    expect(scene.selected.grips).toEqual([]);
  });
});
