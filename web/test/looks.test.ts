import { curvatureAt, spanHulls, type Curve } from '@bogen/core/curve';
import { curveOf, looksOf, type FigureDocument, type FigureItem, type Shown } from '@bogen/core/figure';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { combLength } from '../src/figure/paint/drawComb.js';
import { drawCurves } from '../src/figure/paint/drawFigure.js';
import { facetsWithin } from '../src/figure/paint/drawLooks.js';
import { fetchLooks } from '../src/figure/paint/looks.js';
import { wholePane } from '../src/figure/scene/pane.js';
import { planeProjection } from '../src/figure/geometry/projection.js';
import { FigureScene } from '../src/figure/scene/scene.js';
import { FakeContext, fakeBitmaps, palette } from './support/canvas.js';
import { curve, figure, wave } from './support/figures.js';
import { FakeHost, fakeFrames } from './support/host.js';

vi.mock('../src/theme/fonts.js', () => ({ useFonts: { subscribe: () => undefined } }));

const plain: Shown = {
  controlPoints: false,
  polygon: false,
  editPoints: false,
  knots: false,
  comb: false,
  labels: false,
  start: false,
};
const other = (shown?: Partial<Shown>, more: Partial<FigureItem> = {}): FigureItem =>
  ({
    id: 'b',
    name: 'B',
    kind: 'curve',
    curve: wave(12, 20),
    ...(shown && { shown }),
    ...more,
  }) as FigureItem;
/** The largest curvature on a fine grid of parameters. */
const sharpest = (of: Curve): number =>
  Math.max(...Array.from({ length: 2001 }, (_, k) => Math.abs(curvatureAt(of, k / 2000) ?? NaN)));
const view = { left: 0, right: 200, bottom: 0, top: 100, grid: 10 };

function draw(shown: Partial<Shown>, ...items: FigureItem[]): { drawn: FakeContext; scene: FigureScene } {
  const document: FigureDocument = {
    ...figure(...items),
    shown: { ...plain, ...shown },
    view,
    rail: { item: 'a', tracks: [] },
  };
  const scene = new FigureScene(new FakeHost(document));
  const drawn = new FakeContext();
  drawCurves(drawn.context, scene, planeProjection(view, 800, 400), palette, wholePane);
  return { drawn, scene };
}
const strokesIn = (drawn: FakeContext, color: string, width?: number): number =>
  drawn
    .named('stroke')
    .filter(({ strokeStyle, lineWidth }) => strokeStyle === color && (!width || lineWidth === width)).length;

beforeEach(async () => {
  await fetchLooks();
  fakeBitmaps();
  fakeFrames();
});

describe('what is shown along curves', () => {
  const railHulls = spanHulls((curve as Extract<FigureItem, { kind: 'curve' }>).curve).length;

  it('is hulls and span colours of the curve on the rail, and of others where they ask for it', () => {
    const hulls = (...items: FigureItem[]): number =>
      draw({ hulls: true }, ...items).drawn.named('fill').length;
    expect(hulls(curve, other())).toBe(railHulls);
    expect(hulls(curve, other({ hulls: true }))).toBe(railHulls + 9);
    expect(hulls({ ...curve, shown: { hulls: false } }, other({ hulls: true }))).toBe(9);

    const { drawn } = draw({ spans: true }, curve, other());
    expect(palette.spans.slice(0, 3).map((color) => strokesIn(drawn, color))).toEqual([1, 1, 1]);
    const both = draw({ spans: true }, curve, other({ spans: true })).drawn;
    expect(strokesIn(both, 'span1')).toBe(2);
    expect(strokesIn(drawn, 'ink')).toBe(1);
    expect(strokesIn(both, 'ink')).toBe(0);
  });

  it('is ticks, places and facets of every curve but those that are asked not to', () => {
    const ticks = (...items: FigureItem[]): number =>
      draw({ ticks: true }, ...items)
        .drawn.named('stroke')
        .filter(({ strokeStyle, lineWidth }) => strokeStyle === 'ink' && lineWidth === 1).length;
    expect(ticks(curve, other())).toBe(2);
    expect(ticks(curve, other({ ticks: false }))).toBe(1);
    expect(ticks(curve, other({}, { hidden: true }))).toBe(1);

    const { drawn, scene } = draw({ facets: true }, curve, other());
    const { facetTolerance } = looksOf(scene.document);
    const corners = ['a', 'b'].map(
      (id) => facetsWithin(curveOf(scene.evaluation, id)!, facetTolerance)!.points.length,
    );
    expect(drawn.named('fillRect')).toHaveLength(corners[0]! + corners[1]!);
    expect(strokesIn(drawn, 'accent')).toBe(2);
    // From 0 to 11 the sine crosses the middle three times: an S each.
    const places = draw({ extremes: true }, other({}, { id: 'a' })).drawn;
    expect(places.named('bezierCurveTo')).toHaveLength(3);
  });

  it('leaves a kept copy faint and bare', () => {
    const { drawn } = draw(
      { comb: true, polygon: true, ticks: true, facets: true, knots: true },
      other({}, { faint: true } as never),
    );
    expect(drawn.named('stroke')).toHaveLength(1);
    expect(strokesIn(drawn, 'strong', 1.25)).toBe(1);
  });

  it('draws combs of one scale, in steps of two, with the longest hair of 28 to 56 pixels', () => {
    for (const height of [1, 3, 10]) {
      const scaled: FigureItem = {
        ...(curve as Extract<FigureItem, { kind: 'curve' }>),
        curve: { ...wave(14, 0), points: wave(14, 0).points.map(([x, y]) => [x! / height, y!]) },
      };
      // A hidden curve, however sharp, has no say in it.
      const narrow = wave(14, 0).points.map(([x, y]) => [x! / 100, y!]);
      const sharp = other({}, {
        id: 'c',
        hidden: true,
        curve: { ...wave(14, 0), points: narrow },
      } as never);
      const { scene } = draw({ comb: true }, scaled, other(), sharp);
      const length = combLength(scene);
      expect(Math.log2(length / 56)).toBeCloseTo(Math.round(Math.log2(length / 56)), 12);
      const longest = length * Math.max(...['a', 'b'].map((id) => sharpest(curveOf(scene.evaluation, id)!)));
      expect(longest).toBeGreaterThan(27.9);
      expect(longest).toBeLessThanOrEqual(56.001);
    }
  });
});
