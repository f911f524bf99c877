import type { FigureDocument, FigureItem } from '@bogen/core/figure';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Layers, withRange } from '../src/figure/paint/layers.js';
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

/** Of how many pieces its paths are. */
const pathLength = (target: FakeContext): number =>
  target.named('lineTo').length + target.named('quadraticCurveTo').length;

describe('the layers of a figure', () => {
  it('draw everything at first, and copy it while only the cursor moves or something is previewed', () => {
    const { draw, layers, scene } = open(document);
    const first = draw();
    expect(copied(first)).toHaveLength(0);
    const again = draw();
    // The cursor's dot.
    expect(strokes(again)).toBe(1);
    const [resting] = copied(again);
    const [ground] = copied(resting!.drawn);
    expect(strokes(first)).toBe(strokes(resting!.drawn) + strokes(ground!.drawn) + 1);
    scene.axis.moveCursor(0.7);
    expect(copied(draw())).toEqual([resting]);
    layers.close();
    expect([resting!.closed, ground!.closed]).toEqual([true, true]);
  });

  it('draw anew over the same ground what is pointed at', () => {
    const { draw, scene } = open(document);
    const resting = strokes(draw());
    const [ground] = copied(copied(draw())[0]!.drawn);
    scene.pointed.pick({ item: 'moves', of: 'controlPoints', index: 20 });
    const frame = draw();
    expect(copied(frame)).toEqual([ground]);
    // The support is drawn besides.
    expect(strokes(frame)).toBe(resting - strokes(ground!.drawn) + 1);
  });

  it('draw in a frame of a drag only the curve that moves, and copy the rest', () => {
    const { draw, move, host } = open(document);
    const resting = strokes(draw());
    move(20, [100, 30]);
    draw();
    const sheets = made.length;
    move(20, [101, 32]);
    const frame = draw();
    expect(made).toHaveLength(sheets);
    const [still, marks] = copied(frame) as [FakeBitmap, FakeBitmap];
    const [ground] = copied(still.drawn);
    // Curve and polygon of what stays are on the sheet, and of what moves the spans that stay, each colour of them in
    // a stroke; the others and the polygon are drawn.
    const whole = resting - strokes(ground!.drawn);
    expect(strokes(still.drawn) + strokes(frame)).toBe(whole + palette.spans.length);
    expect(pathLength(frame)).toBeLessThan(pathLength(still.drawn) / 4);
    // The moved point, its neighbours, whose names turn with it: these marks are drawn, the others copied.
    expect(marksCopied(frame)).toBe(3 * 2);
    expect(marksCopied(marks.drawn)).toBe((40 - 3) * 2);

    // Back where it began, it may go on from there.
    host.preview(null);
    draw();
    move(20, [100, 31]);
    expect(copied(draw())).toEqual([still, marks]);
    host.do({ name: 'moveControlPoint', item: 'moves', index: 20, to: [100, 31] });
    draw();
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
    const whole = draw();
    move(2, [71, 93]);
    draw();
    const frame = draw();
    const [still] = copied(frame);
    const [ground] = copied(still!.drawn);
    expect(strokes(frame)).toBe(strokes(whole) - strokes(ground!.drawn));
  });

  it('keeps what it copies while a hand comes back to where it began, and pulls on', () => {
    const { draw, move } = open(document);
    draw();
    const [x, y] = wave(40, 20).points[20]!;
    move(20, [x! + 5, y! + 5]);
    draw();
    move(20, [x! + 6, y! + 6]);
    draw();
    const count = made.length;
    move(20, [x!, y!]);
    draw();
    move(20, [x! + 7, y! + 3]);
    draw();
    expect(made.slice(count).filter(isSheet)).toEqual([]);
  });

  it('draws by themselves the spans that changed at any time of a pull', () => {
    expect(withRange(undefined, { before: [3, 7], now: [3, 7] }).before).toEqual([3, 7]);
    expect(withRange([3, 7], { before: [0, 0], now: [0, 0] })).toEqual({ before: [3, 7], now: [3, 7] });
    expect(withRange([3, 7], { before: [5, 9], now: [5, 8] })).toEqual({ before: [3, 9], now: [3, 8] });
    expect(withRange([0, 0], { before: [5, 9], now: [5, 9] }).before).toEqual([5, 9]);
  });
});
