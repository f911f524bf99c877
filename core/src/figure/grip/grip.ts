import type { Curve, Point } from '../../curve/curve.js';
import { editPoints } from '../../curve/editPoint.js';
import { CurveError } from '../../curve/error.js';
import { distinctPointCount, withPoint } from '../../curve/periodic.js';
import type { FigureCommand, SingleFigureCommand } from '../command/commands.js';
import type { OperationHandles } from '../operation/define.js';
import { operations, type Operation } from '../operation/operations.js';
import { itemOf, type FigureDocument, type PointKind } from '../document/document.js';
import type { BuiltItem, FigureItem } from '../document/item.js';
import { curveOf, geometryOf, type Evaluation } from '../evaluation/evaluate.js';
import type { Geometry } from '../part/geometry.js';
import { passed, pulls, type ItemHandle } from '../part/handle.js';
import { movePictureHandle, pictureHandles } from '../document/picture.js';
import { mapPlace, type PlaneMap } from '../part/plane.js';
import { handlesOfShape, mapShape } from '../shape/shapes.js';

/** Any place of a figure that can be taken hold of. */
export type Grip =
  | { readonly item: string; readonly of: PointKind; readonly index: number }
  | { readonly item: string; readonly of: 'referencePoint' }
  | { readonly item: string; readonly of: 'handle'; readonly key: string };

/** A text that names a grip within its figure. */
export function gripKey(grip: Grip): string {
  const part = grip.of === 'handle' ? grip.key : grip.of === 'referencePoint' ? '' : grip.index;
  return `${grip.item}/${grip.of}/${part}`;
}

/** Where a grip is, or `undefined` where there is none. */
export function gripPlace(document: FigureDocument, evaluation: Evaluation, grip: Grip): Point | undefined {
  const item = itemOf(document, grip.item);
  if (!item) return undefined;
  if (grip.of === 'referencePoint') return item.kind === 'point' ? item.at : undefined;
  if (grip.of === 'handle') return handlesOfItem(item, evaluation).find(({ key }) => key === grip.key)?.at;
  const curve = curveOf(evaluation, grip.item);
  if (!curve) return undefined;
  if (grip.of === 'controlPoints') return curve.points[grip.index];
  try {
    return editPoints(curve)[grip.index]?.point;
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/** What a shape, a picture or a linked curve is taken hold of by besides its points, in the order in which Tab finds them. */
export function handlesOfItem(item: FigureItem, evaluation: Evaluation): ItemHandle[] {
  switch (item.kind) {
    case 'shape':
      return handlesOfShape(item.shape);
    case 'picture':
      return pictureHandles(item).map(({ key, at }) =>
        key === 'centre' ? passed(key, at) : pulls(key, at, item.centre),
      );
    case 'built':
      return handlesOfBuilt(item, evaluation);
    default:
      return [];
  }
}

/** Whether a linked curve can be taken hold of by handles, though it may have none just now, as a bridge of G0 has none. */
export const canHaveHandles = (item: BuiltItem): boolean => handlesOf(item) !== undefined;

const known = new WeakMap<object, ItemHandle[]>();

/** They are found once for each result: they are asked for in every frame, also while something else is pulled. */
function handlesOfBuilt(item: BuiltItem, evaluation: Evaluation): ItemHandle[] {
  const result = evaluation.items.get(item.id);
  const own = handlesOf(item);
  if (!result || !own) return [];
  let handles = known.get(result);
  if (!handles) {
    const sources = sourceGeometry(item, evaluation);
    handles = sources ? own.at(sources, item.operation) : [];
    known.set(result, handles);
  }
  return handles;
}

/** The command that takes a handle of an item to a place, or as near to it as what it stands for allows. */
export function moveHandleOf(
  document: FigureDocument,
  evaluation: Evaluation,
  id: string,
  key: string,
  to: Point,
): SingleFigureCommand {
  const item = itemOf(document, id);
  const sources = item?.kind === 'built' ? sourceGeometry(item, evaluation) : undefined;
  if (item?.kind !== 'built' || !sources) return { name: 'moveHandle', item: id, key, to };
  const operation = handlesOf(item)?.move(sources, item.operation, key, to) ?? item.operation;
  return { name: 'setOperation', item: id, operation };
}

const handlesOf = ({ operation }: BuiltItem): OperationHandles<Operation> | undefined =>
  (operations[operation.name] as unknown as { readonly handles?: OperationHandles<Operation> }).handles;

/** What a linked curve is built from, where it could be computed. */
function sourceGeometry(item: BuiltItem, evaluation: Evaluation): Geometry[] | undefined {
  if (evaluation.items.get(item.id)?.status !== 'curve') return undefined;
  const known = evaluation.inputs.get(item.id)?.sources.map((source) => source && geometryOf(source));
  return known?.every((geometry) => geometry !== undefined) ? known : undefined;
}

/**
 * The places by which the whole of an item can be moved: its control points, its handles, or itself. What
 * is built has none; it follows its sources.
 */
export function gripsOfItem(item: FigureItem): Grip[] {
  switch (item.kind) {
    case 'curve':
      return Array.from({ length: distinctPointCount(item.curve) }, (_, index) => ({
        item: item.id,
        of: 'controlPoints' as const,
        index,
      }));
    case 'shape':
      return handlesOfShape(item.shape).map(({ key }) => ({ item: item.id, of: 'handle', key }));
    case 'picture':
      return pictureHandles(item).map(({ key }) => ({ item: item.id, of: 'handle', key }));
    case 'point':
      return [{ item: item.id, of: 'referencePoint' }];
    case 'built':
      return [];
  }
}

/**
 * The command that takes several grips where a map of the plane takes them, as one step. What hangs on a
 * shape's handles follows as when each is dragged. Where all of a shape is taken, its lengths follow too:
 * a stroke's points and an arc's radius, for instance.
 * @param round applied to each coordinate of a new place
 * @returns `undefined` where nothing can be moved
 */
export function moveGrips(
  document: FigureDocument,
  grips: readonly Grip[],
  map: PlaneMap,
  round: (value: number) => number = (value) => value,
): FigureCommand | undefined {
  const commands: SingleFigureCommand[] = [];
  const to = (place: Point): Point => mapPlace(map, place).map(round);
  for (const id of new Set(grips.map(({ item }) => item))) {
    const item = itemOf(document, id);
    const own = grips.filter((grip) => grip.item === id);
    if (!item || item.locked) continue;
    if (item.kind === 'point') commands.push({ name: 'moveReferencePoint', item: id, to: to(item.at) });
    else if (item.kind === 'curve') commands.push(...moveCurvePoints(item.id, item.curve, own, to));
    else if (item.kind === 'shape') {
      const keys = new Set(own.flatMap((grip) => (grip.of === 'handle' ? [grip.key] : [])));
      commands.push({ name: 'setShape', item: id, shape: mapShape(item.shape, keys, to) });
    } else if (item.kind === 'picture') {
      // The centre first: it takes the corner along.
      const moved = pictureHandles(item).reduce(
        (picture, { key, at }) =>
          own.some((grip) => grip.of === 'handle' && grip.key === key)
            ? movePictureHandle(picture, key, to(at))
            : picture,
        item,
      );
      const { centre, width, angle } = moved;
      commands.push({ name: 'patchItem', item: id, set: { centre, width, angle }, clear: [] });
    }
  }
  if (commands.length === 0) return undefined;
  return commands.length === 1 ? commands[0] : { name: 'batch', commands };
}

function moveCurvePoints(
  item: string,
  curve: Curve,
  grips: readonly Grip[],
  to: (place: Point) => Point,
): SingleFigureCommand[] {
  const commands: SingleFigureCommand[] = [];
  let moved = curve;
  let count = 0;
  for (const grip of grips) {
    if (grip.of !== 'controlPoints' || !curve.points[grip.index]) continue;
    moved = withPoint(moved, grip.index, to(curve.points[grip.index]!));
    count++;
  }
  if (count > 0) commands.push({ name: 'setPoints', item, points: moved.points });
  const edits = grips.filter((grip) => grip.of === 'editPoints');
  if (edits.length > 0 && count === 0) {
    const places = editPoints(curve);
    for (const grip of edits) {
      const place = grip.of === 'editPoints' ? places[grip.index] : undefined;
      if (place && grip.of === 'editPoints') {
        commands.push({ name: 'moveEditPoint', item, index: grip.index, to: to(place.point) });
      }
    }
  }
  return commands;
}
