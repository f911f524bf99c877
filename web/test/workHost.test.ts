import {
  applyFigureCommand,
  curveOf,
  type FigureCommand,
  type FigureDocument,
  touchesOfFigureCommand,
} from '@bogen/core/figure';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { FigureScene } from '../src/figure/scene/scene.js';
import { withPartsOf } from '../src/reader/work.js';
import { WorkHost } from '../src/reader/workHost.js';
import { EditedDocument } from '../src/saving/editedDocument.js';
import { curve, figure, reversed } from './support/figures.js';
import { fakeFrames } from './support/host.js';

const published: FigureDocument = {
  ...figure(curve, reversed, { ...curve, id: 'b' }),
  loose: { a: { controlPoints: [2], editPoints: [] } },
  rail: { item: 'a', tracks: [] },
};
/** The same over the wire. */
const sent = (document: FigureDocument): FigureDocument => JSON.parse(JSON.stringify(document));
const move = (to: number[]): FigureCommand => ({ name: 'moveControlPoint', item: 'a', index: 2, to });
const workWith = (document: FigureDocument) =>
  new EditedDocument<FigureDocument, FigureCommand>({
    initial: {
      document: withPartsOf(published, sent(document)),
      revision: 0,
      undoable: [],
      redoable: [],
      more: false,
      recent: [],
    },
    apply: applyFigureCommand,
    onStale: 'merge',
    touches: touchesOfFigureCommand,
  });

let frames: ReturnType<typeof fakeFrames>;
beforeEach(() => {
  frames = fakeFrames();
});

describe('the figure of a sheet whose work is on its way', () => {
  it('is drawn at once where it is known, and not again when the work is the same', () => {
    const host = new WorkHost(published, true, published);
    const scene = new FigureScene(host);
    const paint = vi.fn();
    scene.connect();
    scene.addPainter(paint);
    frames.next();
    expect(paint).toHaveBeenCalledTimes(1);
    const { evaluation } = scene;
    const structure = scene.structured.version();

    host.receive(workWith(published));
    expect(scene.arrival).toBe('here');
    expect(scene.evaluation).toBe(evaluation);
    // The handles come; nothing is drawn for it.
    expect(scene.structured.version()).not.toBe(structure);
    expect(frames.waiting).toBe(0);
  });

  it('is not drawn before the work has come where it may be another', () => {
    const host = new WorkHost(published, false, published);
    const scene = new FigureScene(host);
    const seen: unknown[] = [];
    scene.connect();
    scene.addPainter(() => seen.push(curveOf(scene.evaluation, 'a')!.points[2]));
    frames.next();
    expect(scene.arrival).toBe('awaited');
    expect(seen).toEqual([]);
    const before = scene.evaluation;

    host.receive(workWith(applyFigureCommand(published, move([71, 93])).document));
    frames.next();
    expect(seen).toEqual([[71, 93]]);
    // Only what is other than published is computed again.
    expect(scene.evaluation.items.get('b')).toBe(before.items.get('b'));
    expect(scene.evaluation.items.get('r')).not.toBe(before.items.get('r'));
  });

  it('is drawn when the work has come, even if it is the published figure after all', () => {
    const host = new WorkHost(published, false, published);
    const scene = new FigureScene(host);
    const paint = vi.fn();
    scene.connect();
    scene.addPainter(paint);
    frames.next();
    host.receive(workWith(published));
    frames.next();
    expect(paint).toHaveBeenCalledTimes(1);
  });

  it('can only be looked at until then, and is the work from then on', () => {
    const host = new WorkHost(published, true, published);
    const listener = vi.fn();
    host.subscribe(listener);
    host.do(move([1, 1]));
    host.preview(move([1, 1]));
    expect(host.read()).toBe(published);
    expect([host.motion(), listener.mock.calls.length]).toEqual(['rest', 0]);

    const first = workWith(published);
    host.receive(first);
    host.preview(move([1, 1]));
    expect(host.motion()).toBe('hand');
    host.do(move([2, 2]));
    expect(first.store.getState().history.document).toBe(host.read());
    // Opened again, it follows the new one alone.
    const second = workWith(published);
    host.receive(second);
    listener.mockClear();
    first.do(move([3, 3]));
    expect(listener).not.toHaveBeenCalled();
    second.do(move([4, 4]));
    expect(curveOf(new FigureScene(host).evaluation, 'a')!.points[2]).toEqual([4, 4]);
  });
});
