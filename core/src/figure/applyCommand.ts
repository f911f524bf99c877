import type { Curve } from '../curve/curve.js';
import { moveEditPoint } from '../curve/editPoint.js';
import { CurveError } from '../curve/error.js';
import { withDegree } from '../curve/withDegree.js';
import { withPoint, withWeight } from '../curve/periodic.js';
import { validatePointIndex } from '../curve/validate.js';
import { CommandError, type Applied } from '../history/history.js';
import type { FigureCommand, SingleFigureCommand } from './command.js';
import {
  isCurveItem,
  isShown,
  itemOf,
  looksOf,
  sourcesOf,
  type BuiltItem,
  type CurveItem,
  type FigureDocument,
  type FigureItem,
  type Looks,
  type LoosePoints,
  type Shown,
} from './document.js';
import { refuseCycles, validateFigure, validateItem } from './validate.js';

type Result = Applied<FigureDocument, FigureCommand>;

/** Nothing of this curve may be moved by a student. */
export const nothingLoose: LoosePoints = { controlPoints: [], editPoints: [] };

/**
 * Applies one command to a figure. The document given is not changed; items that the command does not
 * touch are the same objects in the new one, by which `evaluateFigure` knows what to keep.
 * @returns the new document and the command that leads back to the old one, exactly
 * @throws CommandError with one sentence where the command does not fit the document
 */
export function applyFigureCommand(document: FigureDocument, command: FigureCommand): Result {
  try {
    return apply(document, command);
  } catch (error) {
    if (error instanceof CurveError) throw new CommandError(error.message);
    throw error;
  }
}

function apply(document: FigureDocument, command: FigureCommand): Result {
  switch (command.name) {
    case 'moveControlPoint': {
      const item = givenCurve(document, command.item);
      validatePointIndex(item.curve, command.index);
      const from = item.curve.points[command.index]!;
      return {
        document: withCurve(document, item, withPoint(item.curve, command.index, command.to)),
        inverse: { ...command, to: from },
      };
    }
    case 'moveEditPoint': {
      const item = givenCurve(document, command.item);
      return {
        document: withCurve(document, item, moveEditPoint(item.curve, command.index, command.to)),
        inverse: { name: 'setPoints', item: item.id, points: item.curve.points },
      };
    }
    case 'setPoints': {
      const item = givenCurve(document, command.item);
      return {
        document: withCurve(document, item, { ...item.curve, points: command.points }),
        inverse: { ...command, points: item.curve.points },
      };
    }
    case 'setWeight': {
      const item = givenCurve(document, command.item);
      validatePointIndex(item.curve, command.index);
      return {
        document: withCurve(document, item, withWeight(item.curve, command.index, command.weight)),
        inverse: { name: 'replaceItem', item },
      };
    }
    case 'setDegree':
      return setDegree(document, command.item, command.degree);
    case 'moveReferencePoint': {
      const item = anyItem(document, command.item);
      if (item.kind !== 'point') throw new CommandError(`${item.name} is not a reference point.`);
      return {
        document: withItem(document, { ...item, at: command.to }),
        inverse: { ...command, to: item.at },
      };
    }
    case 'setLoose': {
      const item = givenCurve(document, command.item);
      command.indices.forEach((index) => validatePointIndex(item.curve, index));
      const before = document.loose[item.id] ?? nothingLoose;
      const indices = [...new Set(command.indices)].sort((a, b) => a - b);
      return {
        document: {
          ...document,
          loose: { ...document.loose, [item.id]: { ...before, [command.of]: indices } },
        },
        inverse: { ...command, indices: before[command.of] },
      };
    }
    case 'setShown': {
      // Said in full, since what is absent would be lost where the command is stored.
      const before = Object.fromEntries(
        (Object.keys(command.shown) as (keyof Shown)[]).map((key) => [key, isShown(document, key)]),
      );
      return {
        document: { ...document, shown: { ...document.shown, ...command.shown } },
        inverse: { ...command, shown: before },
      };
    }
    case 'setLooks': {
      const all = looksOf(document);
      const before = Object.fromEntries(
        (Object.keys(command.looks) as (keyof Looks)[]).map((key) => [key, all[key]]),
      );
      return {
        document: { ...document, looks: { ...document.looks, ...command.looks } },
        inverse: { ...command, looks: before },
      };
    }
    case 'setRail': {
      const { item } = command.rail;
      if (item !== null && !isCurveItem(anyItem(document, item))) {
        throw new CommandError('The rail belongs to a curve, not to a reference point or a picture.');
      }
      return { document: { ...document, rail: command.rail }, inverse: { ...command, rail: document.rail } };
    }
    case 'setView': {
      const changed = { ...document, view: command.view };
      validateFigure(changed);
      return { document: changed, inverse: { ...command, view: document.view } };
    }
    case 'renameItem': {
      const item = anyItem(document, command.item);
      return {
        document: withItem(document, { ...item, name: command.to }),
        inverse: { ...command, to: item.name },
      };
    }
    case 'orderItem': {
      const item = anyItem(document, command.item);
      const from = document.items.indexOf(item);
      const items = document.items.toSpliced(from, 1);
      items.splice(command.at, 0, item);
      return { document: { ...document, items }, inverse: { ...command, at: from } };
    }
    case 'addItem': {
      const items = document.items.slice();
      items.splice(command.at, 0, command.item);
      const changed = { ...document, items };
      validateFigure(changed);
      return { document: changed, inverse: { name: 'removeItem', item: command.item.id } };
    }
    case 'removeItem':
      return removeItem(document, command.item);
    case 'replaceItem': {
      const before = anyItem(document, command.item.id);
      const changed = withItem(document, command.item);
      validateFigure(changed);
      return { document: changed, inverse: { ...command, item: before } };
    }
    case 'batch': {
      const inverses: SingleFigureCommand[] = [];
      let changed = document;
      for (const part of command.commands) {
        const applied = apply(changed, part);
        changed = applied.document;
        inverses.unshift(...singles(applied.inverse));
      }
      return { document: changed, inverse: { name: 'batch', commands: inverses } };
    }
  }
}

/** A given curve keeps its points and gets clamped, evenly spaced knots on its domain; a built one takes the degree as its argument. */
function setDegree(document: FigureDocument, id: string, degree: number): Result {
  const item = anyItem(document, id);
  if (item.kind === 'point' || item.kind === 'picture') {
    throw new CommandError(`${item.name} is not a curve and has no degree.`);
  }
  const inverse: FigureCommand = { name: 'replaceItem', item };
  if (item.kind === 'built') {
    if (!('degree' in item.operation)) {
      throw new CommandError(`${item.name} has the degree that follows from its source.`);
    }
    const built: BuiltItem = { ...item, operation: { ...item.operation, degree } };
    return { document: withItem(document, built), inverse };
  }
  if (item.kind === 'shape') {
    if (!('degree' in item.shape)) throw new CommandError(`${item.name} has the degree of its kind.`);
    return { document: withItem(document, { ...item, shape: { ...item.shape, degree } }), inverse };
  }
  return { document: withCurve(document, item, withDegree(item.curve, degree)), inverse };
}

/** The parts of a command, in order. */
function singles(command: FigureCommand): readonly SingleFigureCommand[] {
  return command.name === 'batch' ? command.commands : [command];
}

function removeItem(document: FigureDocument, id: string): Result {
  const item = anyItem(document, id);
  const dependent = document.items.find((other) => sourcesOf(other).includes(id));
  if (dependent)
    throw new CommandError(`${dependent.name} is built from ${item.name}; remove ${dependent.name} first.`);
  const { [id]: loose, ...otherLoose } = document.loose;
  const at = document.items.indexOf(item);
  const back: SingleFigureCommand[] = [{ name: 'addItem', item, at }];
  if (loose) {
    back.push(
      { name: 'setLoose', item: id, of: 'controlPoints', indices: loose.controlPoints },
      { name: 'setLoose', item: id, of: 'editPoints', indices: loose.editPoints },
    );
  }
  if (document.rail.item === id) back.push({ name: 'setRail', rail: document.rail });
  return {
    document: {
      ...document,
      items: document.items.filter((other) => other !== item),
      loose: otherLoose,
      rail: document.rail.item === id ? { ...document.rail, item: null } : document.rail,
    },
    inverse: { name: 'batch', commands: back },
  };
}

function anyItem(document: FigureDocument, id: string): FigureItem {
  const item = itemOf(document, id);
  if (!item) throw new CommandError(`There is no item ${id} in this figure.`);
  return item;
}

function givenCurve(document: FigureDocument, id: string): CurveItem {
  const item = anyItem(document, id);
  if (item.kind === 'built')
    throw new CommandError(`${item.name} is built; it follows its source and has no points of its own.`);
  if (item.kind !== 'curve') throw new CommandError(`${item.name} is not a curve.`);
  return item;
}

function withItem(document: FigureDocument, changed: FigureItem): FigureDocument {
  validateItem(changed);
  const result = {
    ...document,
    items: document.items.map((item) => (item.id === changed.id ? changed : item)),
  };
  if (changed.kind === 'built') refuseCycles(result);
  return result;
}

function withCurve(document: FigureDocument, item: CurveItem, curve: Curve): FigureDocument {
  return withItem(document, { ...item, curve });
}
