import {
  curvatureExtremes,
  derivativesAt,
  facetsOf,
  inflections,
  osculatingCircleAt,
  pointAt,
  spanHulls,
  withPositiveForm,
  type Curve,
  type Facets,
  type Point,
} from '@bogen/core/curve';
import { curveOf, isShown, itemOf, looksOf, type FigureItem, type Shown } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import { arrow } from './arrow.js';
import { drawConic } from './drawConic.js';
import { drawConstruction } from './drawConstruction.js';
import { drawDerivatives } from './drawDerivatives.js';
export { drawCompared } from './drawCompared.js';
export { drawDeviation } from './drawDeviation.js';
export { drawHodograph } from './drawHodograph.js';
export { drawPoles } from './drawPoles.js';
export { drawPreviews } from './drawPreviews.js';
export { drawReach } from './drawReach.js';
import { drawTicks } from './drawTicks.js';
import { tracePoints } from '../geometry/path.js';
import type { Projection } from '../geometry/projection.js';
import type { FigureScene } from '../scene/scene.js';
import type { Highlight } from '../scene/sceneParts.js';

type Context = CanvasRenderingContext2D;

/** The hulls of a curve's spans, behind everything else, in the spans' colours. */
export function drawHulls(context: Context, curve: Curve, projection: Projection, palette: Palette): void {
  spanHulls(curve).forEach(({ hull }, span) => {
    tracePoints(context, hull, projection);
    context.closePath();
    context.fillStyle = context.strokeStyle = palette.spans[span % palette.spans.length]!;
    context.globalAlpha = 0.1;
    context.fill();
    context.globalAlpha = 0.5;
    context.lineWidth = 1;
    context.stroke();
    context.globalAlpha = 1;
  });
}

/** What is shown along a curve: facets, parameter ticks, inflections and extremes of curvature. */
export function drawAlong(
  context: Context,
  scene: FigureScene,
  item: FigureItem,
  curve: Curve,
  projection: Projection,
  palette: Palette,
): void {
  const { document } = scene;
  const shows = (key: keyof Shown): boolean => isShown(document, key, item);
  if (shows('facets')) drawFacets(context, curve, looksOf(document).facetTolerance, projection, palette);
  if (shows('ticks')) drawTicks(context, curve, projection, palette.ink);
  // Looking for all places costs more than a frame; those of what moves come back when the hand lets go.
  if (shows('extremes') && (scene.host.motion() === 'rest' || known.has(curve)))
    drawPlaces(context, curve, projection, palette);
}

/**
 * What is shown at the cursor of the rail's curve: tangent and normal, derivatives, the osculating circle,
 * the construction.
 */
export function drawAtCursor(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
): void {
  const curve = plainCurve(scene);
  if (!curve) return;
  const { document } = scene;
  const item = itemOf(document, document.rail.item!);
  const shows = (key: keyof Shown): boolean => isShown(document, key, item);
  if (shows('osculating')) drawOsculating(context, curve, scene.cursor, projection, palette);
  if (shows('conic')) drawConic(context, curve, scene.cursor, projection, palette);
  if (shows('construction')) drawConstruction(context, scene, curve, projection, palette);
  if (shows('vectors')) drawVectors(context, curve, scene.cursor, projection, palette);
  if (shows('derivatives')) drawDerivatives(context, curve, scene.cursor, projection, palette);
  if (scene.pointed.highlight) drawHighlight(context, scene.pointed.highlight, projection, palette);
}

function plainCurve({ document, evaluation }: FigureScene): Curve | undefined {
  const curve = curveOf(evaluation, document.rail.item);
  return curve?.points[0]!.length === 2 ? curve : undefined;
}

const known = new WeakMap<Curve, { turning: Point[]; peaks: Point[]; valleys: Point[] }>();

/** An inflection is an S; a peak of curvature a chevron outwards, a valley one with a horizontal base. */
function drawPlaces(context: Context, curve: Curve, projection: Projection, palette: Palette): void {
  let places = known.get(curve);
  if (!places) {
    const whole = withPositiveForm(curve);
    const extremes = whole ? curvatureExtremes(whole) : [];
    const of = (wanted: 'largest' | 'smallest'): Point[] =>
      extremes.filter(({ kind }) => kind === wanted).map(({ point }) => point);
    places = {
      turning: (whole ? inflections(whole) : []).map(({ point }) => point),
      peaks: of('largest'),
      valleys: of('smallest'),
    };
    known.set(curve, places);
  }
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.75;
  context.beginPath();
  for (const place of places.turning) {
    const [x, y] = projection.toScreen(place);
    context.moveTo(x - 7, y - 10);
    context.bezierCurveTo(x + 8, y - 16, x - 8, y - 26, x + 7, y - 22);
  }
  for (const place of places.peaks) {
    const [x, y] = projection.toScreen(place);
    context.moveTo(x - 5, y - 9);
    context.lineTo(x, y - 16);
    context.lineTo(x + 5, y - 9);
  }
  for (const place of places.valleys) {
    const [x, y] = projection.toScreen(place);
    context.moveTo(x - 6, y - 9);
    context.lineTo(x + 6, y - 9);
    context.moveTo(x - 4, y - 15);
    context.lineTo(x, y - 10);
    context.lineTo(x + 4, y - 15);
  }
  context.stroke();
}

function drawOsculating(
  context: Context,
  curve: Curve,
  u: number,
  projection: Projection,
  palette: Palette,
): void {
  const circle = osculatingCircleAt(curve, u);
  if (!circle) return;
  const [x, y] = projection.toScreen(circle.centre);
  const radius = circle.radius * projection.scale;
  // Flatter than this it looks like a line on any screen.
  if (radius > 20_000) return;
  context.beginPath();
  context.arc(x, y, radius, 0, 2 * Math.PI);
  context.moveTo(x - 4, y);
  context.lineTo(x + 4, y);
  context.moveTo(x, y - 4);
  context.lineTo(x, y + 4);
  context.setLineDash([6, 4]);
  context.strokeStyle = palette.ink;
  context.lineWidth = 1;
  context.stroke();
  context.setLineDash([]);
}

/** The facets that a curve has within a tolerance; they are few enough to be computed with every move. */
export function facetsWithin(curve: Curve, tolerance: number): Facets | undefined {
  const before = knownFacets.get(curve);
  if (before?.tolerance === tolerance) return before.facets;
  let facets: Facets | undefined;
  try {
    const whole = withPositiveForm(curve);
    facets = whole && facetsOf(whole, tolerance);
  } catch {
    // A tolerance so small that there would be too many.
  }
  knownFacets.set(curve, { tolerance, facets });
  return facets;
}
const knownFacets = new WeakMap<Curve, { readonly tolerance: number; readonly facets: Facets | undefined }>();

function drawFacets(
  context: Context,
  curve: Curve,
  tolerance: number,
  projection: Projection,
  palette: Palette,
): void {
  const facets = facetsWithin(curve, tolerance);
  if (!facets) return;
  tracePoints(context, facets.points, projection);
  context.strokeStyle = palette.accent;
  context.lineWidth = 1.5;
  context.stroke();
  context.fillStyle = palette.accent;
  for (const point of facets.points) {
    const [x, y] = projection.toScreen(point);
    context.fillRect(x - 2, y - 2, 4, 4);
  }
}

/** A halo around the points that a panel refers to, and the lines between them. */
function drawHighlight(
  context: Context,
  { places, lines }: Highlight,
  projection: Projection,
  palette: Palette,
): void {
  context.strokeStyle = palette.accent;
  context.lineWidth = 3;
  for (const line of lines) {
    tracePoints(context, line, projection);
    context.stroke();
  }
  context.globalAlpha = 0.3;
  context.lineWidth = 6;
  for (const place of places) {
    const [x, y] = projection.toScreen(place);
    context.beginPath();
    context.arc(x, y, 11, 0, 2 * Math.PI);
    context.stroke();
  }
  context.globalAlpha = 1;
}

/** Unit tangent and normal at the cursor, each with a small head. */
function drawVectors(
  context: Context,
  curve: Curve,
  u: number,
  projection: Projection,
  palette: Palette,
): void {
  const [, first] = derivativesAt(curve, u, 1) as [Point, Point];
  const speed = Math.hypot(first[0]!, first[1]!);
  if (!(speed > 0)) return;
  const [x, y] = projection.toScreen(pointAt(curve, u));
  const [tx, ty] = [first[0]! / speed, -first[1]! / speed];
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.5;
  context.beginPath();
  arrow(context, [x, y], [x + 46 * tx, y + 46 * ty]);
  arrow(context, [x, y], [x + 46 * ty, y - 46 * tx]);
  context.stroke();
}
