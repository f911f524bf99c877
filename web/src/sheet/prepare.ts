import { isShown, type FigureDocument, jumpsOf, basisOf } from '@bogen/core/figure';
import { railAxis } from '../rail/axis.js';
import { contentsOf } from '../rail/contents.js';
import { tracks } from '../rail/tracks.js';
import type { Palette } from '../theme/theme.js';
import { drawBitmap } from '../figure/paint/kept.js';
import { drawCurves, drawOver, drawPoints } from '../figure/paint/drawFigure.js';
import {
  continuityOf,
  editPointsOf,
  evaluationOf,
  largestCurvature,
  lengthOf,
} from '../figure/geometry/geometry.js';
import { stillHost } from '../figure/scene/host.js';
import { fetchLooks } from '../figure/paint/looks.js';
import { wholePane, type Pane } from '../figure/scene/pane.js';
import { planeProjection } from '../figure/geometry/projection.js';
import { FigureScene } from '../figure/scene/scene.js';

/** What the first picture of a figure needs to know of its curves, as steps of a few milliseconds at most. */
function* stepsToCompute(document: FigureDocument): Generator<void> {
  const { items } = evaluationOf(document);
  yield;
  for (const item of document.items) {
    const result = items.get(item.id);
    if (item.hidden || result?.status !== 'curve') continue;
    const { curve } = result;
    largestCurvature(curve);
    jumpsOf(curve);
    yield;
    if (isShown(document, 'editPoints', item)) editPointsOf(curve);
    if (item.id !== document.rail.item) continue;
    basisOf(curve);
    yield;
    continuityOf(curve);
    lengthOf(curve);
    yield;
  }
}

/**
 * Draws a figure and its tracks where nobody sees it, an item at a time: the names and rings that it copies are made
 * then, and the browser has made its best of the code that draws.
 */
function* stepsToDraw(document: FigureDocument, palette: Palette): Generator<void> {
  const scene = new FigureScene(stillHost(document));
  const projection = planeProjection(scene.view, 880, 480);
  const draw = (work: (context: CanvasRenderingContext2D) => void): void => drawBitmap(1, 1, work).close();
  for (const { id } of document.items) {
    const pane: Pane = { ...wholePane, shows: (other) => other === id };
    draw((context) => {
      drawCurves(context, scene, projection, palette, pane);
      drawPoints(context, scene, projection, palette, pane);
    });
    yield;
  }
  draw((context) => drawOver(context, scene, projection, palette, wholePane));
  yield;
  const contents = contentsOf(scene);
  if (!contents) return;
  const axis = railAxis(contents.curve, projection.width, null);
  for (const name of document.rail.tracks) {
    const track = tracks[name];
    draw((pen) => {
      const { width } = projection;
      const input = { ...contents, pen, axis, width, height: track.height, colours: palette };
      track.drawGround?.(input);
      track.draw(input);
      track.drawNames?.(input);
      track.drawScale?.(input);
      track.valuesAt(contents, scene.cursor);
    });
    yield;
  }
}

/** In which colours a figure was prepared. */
const prepared = new WeakMap<FigureDocument, Palette>();

/** All that can be done for a figure before it is opened. */
export function* stepsToPrepare(document: FigureDocument, palette: Palette): Generator<void> {
  if (prepared.get(document) === palette) return;
  yield* stepsToCompute(document);
  yield* stepsToDraw(document, palette);
  prepared.set(document, palette);
}

/**
 * Prepares figures while the page has nothing else to do, so that they come sooner when they are opened.
 * @returns how to stop it
 */
export function prepareFigures(documents: readonly FigureDocument[], palette: Palette): () => void {
  const steps = (function* () {
    // Also for a figure that shows such looks only when the connection is gone.
    void fetchLooks().catch(() => undefined);
    for (const document of documents) yield* stepsToPrepare(document, palette);
  })();
  let stop = whenIdle(function work(hasTime) {
    while (hasTime()) if (steps.next().done) return;
    stop = whenIdle(work);
  });
  return () => stop();
}

/** The other sheets of a lesson in the order in which they are likely to be opened from one of them. */
export function sheetsByNearness<Sheet>(sheets: readonly Sheet[], index: number): Sheet[] {
  const distance = (other: number): number => (other > index ? other - index - 0.5 : index - other);
  return sheets
    .map((sheet, other) => ({ sheet, other }))
    .filter(({ other }) => other !== index)
    .sort((a, b) => distance(a.other) - distance(b.other))
    .map(({ sheet }) => sheet);
}

type Work = (hasTime: () => boolean) => void;

/** Not every browser tells when it is idle; the others do one step every now and then. */
function whenIdle(work: Work): () => void {
  if (typeof requestIdleCallback === 'function') {
    const id = requestIdleCallback((deadline) => work(() => deadline.timeRemaining() > 8));
    return () => cancelIdleCallback(id);
  }
  let steps = 1;
  const id = setTimeout(() => work(() => steps-- > 0), 100);
  return () => clearTimeout(id);
}
