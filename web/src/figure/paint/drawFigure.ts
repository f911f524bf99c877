import {
  derivativesAt,
  hasSignedWeights,
  interiorKnots,
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
  drawJump,
  jumpsOf,
  distinctKnotsOf,
  samplesOf,
  addSpans,
} from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { largestCurvature } from '../geometry/geometry.js';
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

type Context = CanvasRenderingContext2D;

const lineWidths: Readonly<Record<LineWeight, number>> = { fine: 1, medium: 1.75, bold: 3, broad: 5 };

/** Some spans of a curve, or all others: what is drawn of it, or left to what was drawn before. */
export interface SpanPart {
  readonly first: number;
  /** The span after the last. */
  readonly end: number;
  /** Whether they are left out. What stands beside the spans (polygon, support, start) is drawn with those within. */
  readonly outside: boolean;
}

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

/** Curvature as teeth across the curve, `length` pixels for a curvature of one. */
function drawComb(
  context: Context,
  curve: Curve,
  projection: Projection,
  palette: Palette,
  strong: boolean,
  length: number,
  density: number,
  runs: readonly (readonly [number, number])[],
): void {
  const samples = samplesOf(curve);
  const { coordinates, tangents, curvature, dimension, perSpan } = samples;
  if (dimension !== 2) return;
  // Closer than this the teeth run into one another.
  const every = Math.max(1, Math.round(curvature.length / (260 * density)));
  // The tooth points away from the centre of curvature.
  const hair = (sample: number): number =>
    Math.max(-longestHair, Math.min(longestHair, curvature[sample]! * length));
  const tipX = (sample: number): number =>
    projection.screenX(coordinates[2 * sample]!) + tangents[2 * sample + 1]! * hair(sample);
  const tipY = (sample: number): number =>
    projection.screenY(coordinates[2 * sample + 1]!) + tangents[2 * sample]! * hair(sample);
  context.strokeStyle = strong ? palette.ink : palette.strong;
  context.lineWidth = 0.75;
  context.globalAlpha = 0.4;
  context.beginPath();
  for (const [from, to] of runs) {
    for (let sample = from; sample <= to; sample++) {
      if (sample % (perSpan + 1) !== perSpan && (sample % (perSpan + 1)) % every !== 0) continue;
      context.moveTo(
        projection.screenX(coordinates[2 * sample]!),
        projection.screenY(coordinates[2 * sample + 1]!),
      );
      context.lineTo(tipX(sample), tipY(sample));
    }
  }
  context.stroke();
  context.globalAlpha = 0.8;
  context.lineWidth = 1;
  context.setLineDash(strong ? [] : [4, 3]);
  context.beginPath();
  for (const [from, to] of runs) {
    context.moveTo(tipX(from), tipY(from));
    addSpans(context, samples, from, to, tipX, tipY);
  }
  context.stroke();
  context.setLineDash([]);
  context.globalAlpha = 1;
}

/**
 * Pixels of a tooth for a curvature of one, the same for all curves so that their combs can be compared. The
 * longest tooth has 28 to 56 pixels when nothing moves; a drag keeps the scale with which it began, so that
 * a peak is seen to grow.
 */
export function combLength(scene: FigureScene): number {
  const known = combLengths.get(scene);
  if (known !== undefined && scene.host.motion() !== 'rest') return known;
  const { document, evaluation } = scene;
  let largest = 0;
  for (const item of document.items) {
    const isFaint = item.kind === 'curve' && item.faint;
    const combed = isShown(document, 'comb', item) && !isFaint && !item.hidden;
    const curve = combed ? curveOf(evaluation, item.id) : undefined;
    if (curve) largest = Math.max(largest, largestCurvature(curve));
  }
  const length = largest === 0 ? 0 : 56 / 2 ** Math.ceil(Math.log2(largest));
  combLengths.set(scene, length);
  return length;
}

const combLengths = new WeakMap<FigureScene, number>();
/** Where a curve almost turns back its teeth would cross the whole figure. */
const longestHair = 240;

/** A tick across the curve at each interior knot; multiplicity m is m close ticks. What jumps there has its mark beside it. */
function drawKnots(
  context: Context,
  curve: Curve,
  projection: Projection,
  palette: Palette,
  part: SpanPart | undefined,
): void {
  const jumps = jumpsOf(curve);
  context.strokeStyle = palette.ink;
  context.fillStyle = palette.ink;
  context.lineWidth = 1.5;
  context.lineCap = 'butt';
  const { coordinates, tangents, perSpan, dimension, spanOf } = samplesOf(curve);
  const knots = interiorKnots(curve.knots, curve.degree);
  // A knot at the end of a part belongs to the spans within: what jumps there can be another.
  const isDrawn = (index: number): boolean =>
    !part || part.outside !== (index + 1 >= part.first && index + 1 <= part.end);
  const placed = knots.flatMap(({ value, multiplicity }, index) => {
    if (!isDrawn(index)) return [];
    // Where a span begins there is a sample, with the place and the direction from the right.
    const begins = spanOf.length === knots.length + 1 ? index + 1 : spanOf.indexOf(index + 1);
    const at = begins * (perSpan + 1) * dimension;
    if (begins < 0) return [];
    const [tx, ty] = [tangents[at]!, tangents[at + 1]!];
    if (tx === 0 && ty === 0) return [];
    const x = projection.screenX(coordinates[at]!);
    const y = projection.screenY(coordinates[at + 1]!);
    return [{ value, multiplicity, x, y, along: [tx, -ty] as const }];
  });
  context.beginPath();
  for (const { multiplicity, x, y, along } of placed) {
    for (let tick = 0; tick < multiplicity; tick++) {
      const shift = (tick - (multiplicity - 1) / 2) * 4;
      const cx = x + along[0] * shift;
      const cy = y + along[1] * shift;
      context.moveTo(cx - along[1] * 8, cy + along[0] * 8);
      context.lineTo(cx + along[1] * 8, cy - along[0] * 8);
    }
  }
  context.stroke();
  for (const { value, x, y, along } of placed) {
    const jump = jumps.get(value);
    const up = [along[1], -along[0]] as const;
    if (jump) drawJump(context, jump, x + up[0] * 13, y + up[1] * 13, up);
  }
  context.lineCap = 'round';
}

/** A small wedge at the start, pointing along the curve. */
function drawStart(context: Context, curve: Curve, projection: Projection, palette: Palette): void {
  const start = distinctKnotsOf(curve).find(
    ({ first, multiplicity }) => first + multiplicity > curve.degree,
  )!.value;
  const [point, first] = unlessPole(() => derivativesAt(curve, start, 1)) ?? [];
  if (!point || !first) return;
  const speed = Math.hypot(first[0]!, first[1]!);
  if (speed === 0) return;
  const [x, y] = projection.toScreen(point);
  const [ax, ay] = [first[0]! / speed, -first[1]! / speed];
  context.beginPath();
  context.moveTo(x + ax * 20, y + ay * 20);
  context.lineTo(x + ax * 9 - ay * 4, y + ay * 9 + ax * 4);
  context.lineTo(x + ax * 9 + ay * 4, y + ay * 9 - ax * 4);
  context.closePath();
  context.fillStyle = palette.ink;
  context.fill();
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
