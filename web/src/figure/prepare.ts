import { isShown, type FigureDocument } from '@bogen/core';
import { basisOf, continuityOf, editPointsOf, evaluationOf, largestCurvature, lengthOf } from './geometry.js';
import { jumpsOf } from './jumpMark.js';

/** What the first picture of a figure needs to know of its curves, as steps of a few milliseconds at most. */
export function* stepsToPrepare(document: FigureDocument): Generator<void> {
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
 * Computes what the first pictures of figures need while the page has nothing else to do, so that they come
 * sooner when they are opened.
 * @returns how to stop it
 */
export function prepareFigures(documents: readonly FigureDocument[]): () => void {
  const steps = (function* () {
    for (const document of documents) yield* stepsToPrepare(document);
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
    const id = requestIdleCallback((deadline) => work(() => deadline.timeRemaining() > 5));
    return () => cancelIdleCallback(id);
  }
  let steps = 1;
  const id = setTimeout(() => work(() => steps-- > 0), 100);
  return () => clearTimeout(id);
}
