import { type FigureDocument, type FigureItem } from '@bogen/core/figure';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Layers } from '../src/figure/paint/layers.js';
import { wholePane } from '../src/figure/scene/pane.js';
import { planeProjection } from '../src/figure/geometry/projection.js';
import { FigureScene } from '../src/figure/scene/scene.js';
import { FakeContext, fakeBitmaps, palette, type FakeBitmap } from './support/canvas.js';
import { curve, figure, reversedOf, wave } from './support/figures.js';
import { FakeHost, fakeFrames } from './support/host.js';

vi.mock('../src/theme/fonts.js', () => ({ useFonts: { subscribe: () => undefined } }));

const item = (id: string, height: number, count: number): FigureItem => ({
  id,
  name: id,
  kind: 'curve',
  curve: wave(count, height),
});
const shown = {
  controlPoints: true,
  polygon: true,
  editPoints: false,
  knots: false,
  labels: true,
  comb: false,
} as const;
const view = { left: 0, right: 300, bottom: 0, top: 100, grid: 10 };
const document: FigureDocument = {
  ...figure(item('moves', 20, 40), item('stays', 60, 40)),
  shown,
  view,
  rail: { item: 'moves', tracks: [] },
};

let made: FakeBitmap[];
beforeEach(() => {
  made = fakeBitmaps();
  fakeFrames();
});

function open(of: FigureDocument) {
  const host = new FakeHost(of);
  const scene = new FigureScene(host);
  scene.connect();
  const projection = planeProjection(view, size.width, size.height);
  const layers = new Layers(scene, projection, palette, wholePane);
  const draw = (): FakeContext => {
    const target = new FakeContext();
    layers.draw(target.context, []);
    return target;
  };
  const move = (index: number, to: number[]): void =>
    host.preview({ name: 'moveControlPoint', item: 'moves', index, to });
  return { host, scene, layers, draw, move };
}

const size = { width: 900, height: 300 };
const isSheet = ({ width, height }: FakeBitmap): boolean => width === size.width && height === size.height;
const images = (target: FakeContext): FakeBitmap[] =>
  target.named('drawImage').map(({ args }) => args[0] as FakeBitmap);

/** The sheets over the whole pane that were copied, and how many marks were, which stand on smaller bitmaps. */
const copied = (target: FakeContext): FakeBitmap[] => images(target).filter(isSheet);
const marksCopied = (target: FakeContext): number => images(target).filter((image) => !isSheet(image)).length;
const strokes = (target: FakeContext): number => target.named('stroke').length;

describe('the layers of a figure', () => {
  it('copy the ground from the second time on, and draw all else while nothing moves', () => {
    const { draw, layers } = open(document);
    const first = draw();
    const second = draw();
    expect(copied(first)).toHaveLength(0);
    const [ground] = copied(second);
    expect(strokes(first)).toBe(strokes(second) + strokes(ground!.drawn));
    expect(copied(draw())[0]).toBe(ground);
    layers.close();
    expect(ground!.closed).toBe(true);
  });

  it('draw in a frame of a drag only the curve that moves, and copy the rest', () => {
    const { draw, move, host } = open(document);
    draw();
    const resting = strokes(draw());
    move(20, [100, 30]);
    draw();
    const sheets = made.length;
    move(20, [101, 32]);
    const frame = draw();
    expect(made).toHaveLength(sheets);
    const [still, marks] = copied(frame) as [FakeBitmap, FakeBitmap];
    // Curve and polygon of each: those of one are on the sheet, those of the other are drawn.
    expect(strokes(still.drawn)).toBe(resting - strokes(frame));
    expect(strokes(frame)).toBeLessThan(resting);
    // The moved point, its neighbours, whose names turn with it: these marks are drawn, the others copied.
    expect(marksCopied(frame)).toBe(3 * 2);
    expect(marksCopied(marks.drawn)).toBe((40 - 3) * 2);

    host.preview(null);
    expect(strokes(draw())).toBe(resting);
    expect([still.closed, marks.closed]).toEqual([true, true]);
  });

  it('begin a sheet anew when more begins to move, and when something else is looked at', () => {
    const { draw, move, scene } = open(document);
    draw();
    move(20, [100, 30]);
    draw();
    const [, marks] = copied(draw()) as [FakeBitmap, FakeBitmap];
    // A neighbour of a neighbour joins in.
    move(22, [111, 30]);
    const [still, later] = copied(draw()) as [FakeBitmap, FakeBitmap];
    expect(later).not.toBe(marks);
    expect(marks.closed).toBe(true);
    scene.host.preview({ name: 'setShown', shown: { ...shown, knots: true } } as never);
    const [other] = copied(draw());
    expect(other).not.toBe(still);
  });

  it('move what is built from the curve along with it', () => {
    const { draw, move } = open({
      ...figure({ ...curve, id: 'moves' }, reversedOf('moves')),
      view,
      shown: { ...shown, controlPoints: false, labels: false },
    });
    draw();
    const resting = strokes(draw());
    move(2, [71, 93]);
    draw();
    const frame = draw();
    const [still] = copied(frame);
    expect(strokes(still!.drawn)).toBe(0);
    expect(strokes(frame)).toBe(resting);
  });
});
