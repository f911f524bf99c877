import { told } from '../../told/told.js';
import { validateCurve } from '../../curve/validate.js';
import { validateDegree } from '../../curve/knotVector.js';
import { CurveError } from '../../curve/error.js';
import { overfullList } from '../../describe/check.js';
import { CommandError } from '../../history/history.js';
import { shapes } from '../shape/shapes.js';
import { itemOf, looseOf, type FigureDocument, type LoosePoints, type View } from './document.js';
import { isCurveItem, sourcesOf, type BuiltItem, type FigureItem } from './item.js';
import { figureLimits } from '../part/parts.js';

/**
 * Checks what a schema of shapes alone can't see: unique ids, whole curves, sources that exist and do
 * not go round in a circle, loose points that are there, and a view with an area.
 * @throws CommandError with one sentence
 */
export function validateFigure(document: FigureDocument): void {
  const seen = new Set<string>();
  if (document.items.length > figureLimits.items) {
    throw new CommandError(told('tooManyItems', { count: document.items.length, most: figureLimits.items }));
  }
  for (const item of document.items) {
    if (seen.has(item.id)) throw new CommandError(told('sameItemId', { id: item.id }));
    seen.add(item.id);
    validateItem(item);
  }
  for (const item of document.items) {
    for (const source of sourcesOf(item)) {
      if (!seen.has(source)) throw new CommandError(told('sourceMissing', { name: item.name, source }));
    }
  }
  refuseCycles(document);
  for (const id of Object.keys(document.loose))
    refuseLoosePointsThatAreNot(document, id, looseOf(document, id)!);
  validateView(document.view);
  if (document.rail.item !== null && !seen.has(document.rail.item)) {
    throw new CommandError(told('railItemMissing', { id: document.rail.item }));
  }
}

/** @throws CommandError where a view has no area */
export function validateView(view: View): void {
  if (!(view.right > view.left && view.top > view.bottom && view.grid > 0)) {
    throw new CommandError(told('viewWithoutArea'));
  }
}

/** @throws CommandError where a loose point is named that is not there */
export function refuseLoosePointsThatAreNot(document: FigureDocument, id: string, loose: LoosePoints): void {
  const item = itemOf(document, id);
  if (item?.kind !== 'curve') throw new CommandError(told('loosePointsOfNoCurve', { id }));
  for (const index of [...loose.controlPoints, ...loose.editPoints]) {
    if (!(Number.isInteger(index) && index >= 0 && index < item.curve.points.length)) {
      throw new CommandError(told('noLoosePoint', { index, name: item.name }));
    }
  }
}

/** @throws CommandError where something is missing that an item is built from */
export function refuseLostSources(document: FigureDocument, item: BuiltItem): void {
  const lost = sourcesOf(item).find((source) => !itemOf(document, source));
  if (lost !== undefined) throw new CommandError(told('sourceMissing', { name: item.name, source: lost }));
}

/**
 * Checks a figure after one item was added: that item alone, and what it can break. The work does not grow with
 * what the other items hold.
 * @throws CommandError with one sentence
 */
export function validateNewItem(document: FigureDocument, item: FigureItem): void {
  if (document.items.length > figureLimits.items) {
    throw new CommandError(told('tooManyItems', { count: document.items.length, most: figureLimits.items }));
  }
  if (document.items.filter(({ id }) => id === item.id).length > 1)
    throw new CommandError(told('sameItemId', { id: item.id }));
  validateItem(item);
  if (item.kind !== 'built') return;
  refuseLostSources(document, item);
  refuseCycles(document);
}

/**
 * Checks one item by itself.
 * @throws CommandError with one sentence
 */
export function validateItem(item: FigureItem): void {
  if (item.faint && item.kind !== 'curve') {
    throw new CommandError(told('notAFaintCopy', { name: item.name }));
  }
  if ((item.lockedJoints || item.lockedKnots) && !isCurveItem(item)) {
    throw new CommandError(told('lockOfGivenOnly', { name: item.name }));
  }
  try {
    if (item.kind === 'curve') {
      if (item.curve.points.length > figureLimits.points) {
        throw new CommandError(
          told('tooManyPoints', {
            name: item.name,
            count: item.curve.points.length,
            most: figureLimits.points,
          }),
        );
      }
      validateCurve(item.curve);
    } else if (item.kind === 'built') {
      if ('degree' in item.operation) validateDegree(item.operation.degree);
    } else if (item.kind === 'shape') {
      // Whether it comes to a curve is found when it is evaluated; here only what would cost too much.
      const overfull = overfullList(shapes[item.shape.kind].description, item.shape);
      if (overfull) throw new CommandError(told('tooManyPoints', { name: item.name, ...overfull }));
    } else if (item.kind === 'picture') {
      const { size, width, fade, centre } = item;
      if (!(size[0] > 0 && size[1] > 0 && width > 0 && fade >= 0 && fade <= 1 && centre.length === 2)) {
        throw new CommandError(told('pictureWidthAndFade', { name: item.name }));
      }
    } else if (item.at.length !== 2 || !item.at.every((coordinate) => Number.isFinite(coordinate))) {
      throw new CommandError(told('itemCoordinates', { name: item.name }));
    }
  } catch (error) {
    if (error instanceof CurveError)
      throw new CommandError(told('about', { name: item.name, reason: error.told }));
    throw error;
  }
}

/**
 * Refuses items that are built, in however many steps, from themselves.
 * @throws CommandError naming one item of the circle
 */
export function refuseCycles(document: FigureDocument): void {
  const state = new Map<string, 'open' | 'done'>();
  const items = new Map(document.items.map((item) => [item.id, item]));
  const visit = (id: string): void => {
    const item = items.get(id);
    if (!item || state.get(id) === 'done') return;
    if (state.get(id) === 'open') throw new CommandError(told('builtFromItself', { name: item.name }));
    state.set(id, 'open');
    sourcesOf(item).forEach(visit);
    state.set(id, 'done');
  };
  document.items.forEach(({ id }) => visit(id));
}
