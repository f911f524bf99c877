import {
  hasSignedWeights,
  pointAt,
  type Curve,
  type CurveSamples,
  type Point,
  unlessPole,
} from '@bogen/core/curve';
import {
  curveOf,
  isShown,
  itemOf,
  looksOf,
  type FigureItem,
  type LineWeight,
  type Shown,
  samplesOf,
} from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { drawFollowing, drawMarks } from './drawMarks.js';
import { handlePlace, handlesOf } from '../scene/handles.js';
import { drawItemHandles } from './drawItemHandles.js';
import { looksFor, showsAlong, showsAtCursor } from './looks.js';
import { write } from './drawText.js';
import type { Pane } from '../scene/pane.js';
import { addSamples, tracePoints } from '../geometry/path.js';
import { drawnPolygon } from '../geometry/onTheWay.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import type { Picked } from '../scene/sceneParts.js';
import type { Context, SpanPart } from './spanPart.js';
import { drawComb, combLength } from './drawComb.js';
import { drawKnots, drawStart } from './drawKnots.js';

const lineWidths: Readonly<Record<LineWeight, number>> = { fine: 1, medium: 1.75, bold: 3, broad: 5 };

/** Whether a curve can be drawn in parts: nothing about it is drawn that depends on the whole of it. */
export function canBeParted(scene: FigureScene, item: FigureItem): boolean {
  const whole = ['hulls', 'deviation', 'facets', 'ticks', 'extremes'] as const;
  if (item.kind !== 'curve' || item.faint || hasSignedWeights(item.curve)) return false;
  return whole.every((key) => !isShown(scene.document, key, item));
}

/** The samples of a part, as runs from the first to the last. */
function runsOf(samples: CurveSamples, part: SpanPart | undefined): readonly (readonly [number, number])[] {
  const stride = samples.perSpan + 1;
  const count = samples.spanCount;
  const spans = !part
    ? [[0, count]]
    : part.outside
      ? [
          [0, part.first],
          [part.end, count],
        ]
      : [[part.first, part.end]];
  return spans.flatMap(([from, to]) => (from! < to! ? [[from! * stride, to! * stride - 1] as const] : []));
}

/**
 * Draws the curves of a pane with their combs, polygons and knots.
 * @param partOf what is drawn of an item's curve, where it is not the whole
 */
export function drawCurves(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
  pane: Pane,
  partOf: (item: string) => SpanPart | undefined = () => undefined,
): void {
  const { document, evaluation } = scene;
  context.lineJoin = 'round';
  context.lineCap = 'round';
  const looks = looksOf(document);
  const length = combLength(scene) * looks.combScale;
  const curves = document.items.flatMap((item) => {
    const curve = item.hidden || !pane.shows(item.id) ? undefined : curveOf(evaluation, item.id);
    return curve ? [{ item, curve }] : [];
  });
  /** What fills or colours a curve's surroundings: as the figure says on the rail's curve, on others as they say. */
  const covers = (key: 'hulls' | 'spans', item: FigureItem): boolean | undefined =>
    document.rail.item === item.id ? isShown(document, key, item) : item.shown?.[key];
  for (const { item, curve } of curves) {
    if (covers('hulls', item) && isPlane(curve) && !hasSignedWeights(curve))
      looksFor(scene)?.drawHulls(context, curve, projection, palette);
  }
  for (const { item, curve } of curves) {
    const color = item.color ? palette.items[item.color] : palette.ink;
    if (item.kind === 'curve' && item.faint) {
      const faint = item.color ? color : palette.strong;
      drawWhole(context, samplesOf(curve), projection, { color: faint, width: 1.25, dash: [3, 4] });
      continue;
    }
    const shows = (key: keyof Shown): boolean => isShown(document, key, item);
    const onRail = document.rail.item === item.id;
    const part = partOf(item.id);
    const runs = runsOf(samplesOf(curve), part);
    const isMain = !part?.outside;
    if (shows('comb')) drawComb(context, curve, projection, palette, onRail, length, looks.combDensity, runs);
    if (isMain && shows('polygon') && (item.kind === 'curve' || onRail))
      drawPolygon(context, drawnPolygon(curve), projection, palette);
    const lit = scene.litSupport?.item === item.id ? scene.litSupport : null;
    if (lit && isMain) drawPart(context, samplesOf(curve), projection, lit.from, lit.to, palette.accent);
    if (onRail && shows('deviation')) {
      looksFor(scene)?.drawDeviation(context, scene, curve, projection, palette);
    }
    const width = lineWidths[item.lineWeight ?? 'medium'];
    if (covers('spans', item)) {
      drawSpans(context, samplesOf(curve), projection, palette, item.lineWeight ? width + 1.25 : 3, runs);
    } else {
      const stroke = {
        color,
        width: onRail ? width + 0.75 : width,
        dash: item.kind === 'built' ? [9, 3] : [],
      };
      drawWhole(context, samplesOf(curve), projection, stroke, runs);
    }
    if (shows('knots')) drawKnots(context, curve, projection, palette, part);
    if (hasSignedWeights(curve)) looksFor(scene)?.drawPoles(context, curve, projection, palette);
    if (isMain && shows('start')) drawStart(context, curve, projection, palette);
    if (isPlane(curve) && showsAlong(document, item)) {
      looksFor(scene)?.drawAlong(context, scene, item, curve, projection, palette);
    }
  }
}

const isPlane = (curve: Curve): boolean => curve.points[0]!.length === 2;

/** Draws the marks of the points of a pane, above all its curves; of those to take hold of perhaps only some. */
export function drawPoints(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
  pane: Pane,
  handles: readonly Picked[] = handlesOf(scene, pane),
): void {
  drawFollowing(context, scene, projection, palette, pane);
  drawMarks(context, scene, projection, palette, handles);
  drawItemHandles(context, scene, projection, palette, pane);
}

/** Draws what lies over all items: what is looked at along the rail's curve, and what is being made. */
export function drawOver(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
  pane: Pane,
): void {
  const { document } = scene;
  if (pane.shows(document.rail.item)) {
    const shows = showsAtCursor(document, itemOf(document, document.rail.item!)) || scene.pointed.highlight;
    const looks = shows ? looksFor(scene) : undefined;
    const { compareWith, enlarged, correspondence } = looksOf(document);
    if (compareWith !== null && (enlarged > 1 || correspondence)) {
      looksFor(scene)?.drawCompared(context, scene, projection, palette);
    }
    if (cursorPoint(scene)) looks?.drawAtCursor(context, scene, projection, palette);
    drawCursor(context, scene, projection, palette);
    looks?.drawHodograph(context, scene, projection, palette, pane);
  }
  if (scene.host.motion() === 'hand') {
    looksFor(scene)?.drawReach(context, scene, projection, palette, pane);
  }
  drawHeldHalo(context, scene, projection, palette, pane);
  if (scene.previews.all.length > 0) looksFor(scene)?.drawPreviews(context, scene, projection, palette);
  const { snapped } = scene.previews;
  if (snapped && !snapped.isEnd) {
    const [x, y] = projection.toScreen(snapped.at);
    write(context, snapped.words, [x + 6, y + 8], palette);
  }
}

interface Stroke {
  readonly color: string;
  readonly width: number;
  readonly dash: number[];
}

function drawWhole(
  context: Context,
  samples: CurveSamples,
  projection: Projection,
  stroke: Stroke,
  runs = runsOf(samples, undefined),
): void {
  context.beginPath();
  for (const [from, to] of runs) addSamples(context, samples, projection, from, to);
  context.setLineDash(stroke.dash);
  context.strokeStyle = stroke.color;
  context.lineWidth = stroke.width;
  context.stroke();
  context.setLineDash([]);
}

/** Each span in its colour, the same as on the rail; those of one colour in one stroke. */
function drawSpans(
  context: Context,
  samples: CurveSamples,
  projection: Projection,
  palette: Palette,
  width: number,
  runs: readonly (readonly [number, number])[],
): void {
  const stride = samples.perSpan + 1;
  const { length } = palette.spans;
  context.lineWidth = width;
  palette.spans.forEach((color, first) => {
    context.beginPath();
    for (let span = 0; span < samples.spanCount; span++) {
      if (samples.spanOf[span]! % length !== first) continue;
      const [from, to] = [span * stride, (span + 1) * stride - 1];
      if (runs.some(([start, end]) => from >= start && to <= end)) {
        addSamples(context, samples, projection, from, to);
      }
    }
    context.strokeStyle = color;
    context.stroke();
  });
}

/** The support of a control point: a broad band behind the spans that answer. */
function drawPart(
  context: Context,
  samples: CurveSamples,
  projection: Projection,
  from: number,
  to: number,
  color: string,
): void {
  const { parameters } = samples;
  let first = 0;
  let last = parameters.length - 1;
  while (first < last && parameters[first + 1]! <= from) first++;
  while (last > first && parameters[last - 1]! >= to) last--;
  context.beginPath();
  addSamples(context, samples, projection, first, last);
  context.strokeStyle = color;
  context.globalAlpha = 0.22;
  context.lineWidth = 13;
  context.stroke();
  context.globalAlpha = 1;
}

function drawPolygon(
  context: Context,
  points: readonly Point[],
  projection: Projection,
  palette: Palette,
): void {
  tracePoints(context, points, projection);
  context.strokeStyle = palette.strong;
  context.lineWidth = 1;
  context.stroke();
}

/** The cursor as a dot on the rail's curve. */
function drawCursor(context: Context, scene: FigureScene, projection: Projection, palette: Palette): void {
  const point = cursorPoint(scene);
  if (!point) return;
  const [x, y] = projection.toScreen(point);
  context.beginPath();
  context.arc(x, y, 4.5, 0, 2 * Math.PI);
  context.fillStyle = palette.ink;
  context.fill();
  context.strokeStyle = palette.sheet;
  context.lineWidth = 1.5;
  context.stroke();
}

/** The halo of the point in the hand. */
function drawHeldHalo(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
  pane: Pane,
): void {
  const { picked } = scene.pointed;
  if (!picked || scene.host.motion() === 'rest' || !pane.shows(picked.item)) return;
  const place = handlePlace(scene, picked);
  if (!place) return;
  const [x, y] = projection.toScreen(place);
  context.beginPath();
  context.arc(x, y, 13, 0, 2 * Math.PI);
  context.globalAlpha = 0.26;
  context.fillStyle = palette.accent;
  context.fill();
  context.globalAlpha = 1;
}

/** Where the cursor's dot lies, if the rail has a curve that is somewhere there. */
export function cursorPoint(scene: FigureScene): Point | undefined {
  const curve = scene.railCurve;
  return curve && itemOf(scene.document, scene.document.rail.item!)
    ? unlessPole(() => pointAt(curve, scene.cursor))
    : undefined;
}
