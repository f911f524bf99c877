import type { Curve, Point } from '../../curve/curve.js';
import { CurveError } from '../../curve/error.js';
import { told, type Told } from '../../told/told.js';
import type { FigureDocument } from '../document/document.js';
import { sourcesOf, type FigureItem } from '../document/item.js';
import type { Geometry } from '../part/geometry.js';
import { operate, refuseTooManyPoints } from '../operation/operate.js';
import type { OperationResult } from '../operation/define.js';
import { curveOfShape } from '../shape/shapes.js';

/** What an item came to: a curve, a reference point, a picture (which is nothing to build from), or the reason why it could not be computed. */
export type EvaluatedItem =
  | ({ readonly status: 'curve' } & OperationResult)
  | { readonly status: 'point'; readonly at: Point }
  | { readonly status: 'picture' }
  | { readonly status: 'failed'; readonly reason: Told };

/** The geometry of a figure, by item id, with what is needed to recompute only what a change reaches. */
export interface Evaluation {
  readonly items: ReadonlyMap<string, EvaluatedItem>;
  /** For each id the item and the source results that its result was computed from. */
  readonly inputs: ReadonlyMap<string, { item: FigureItem; sources: readonly (EvaluatedItem | undefined)[] }>;
}

/**
 * Computes the geometry of a figure in dependency order. It is a pure function of the document; a
 * previous evaluation only saves work: an item is computed again when it or the result of one of its
 * sources is another object than before. An item that can't be computed carries its reason and leaves
 * the others alone.
 */
export function evaluateFigure(document: FigureDocument, previous?: Evaluation): Evaluation {
  const byId = new Map(document.items.map((item) => [item.id, item]));
  const items = new Map<string, EvaluatedItem>();
  const inputs = new Map<string, { item: FigureItem; sources: readonly (EvaluatedItem | undefined)[] }>();
  const open = new Set<string>();

  const visit = (item: FigureItem): EvaluatedItem => {
    const known = items.get(item.id);
    if (known) return known;
    if (open.has(item.id))
      return { status: 'failed', reason: told('isBuiltFromItself', { name: item.name }) };
    open.add(item.id);
    const sources = sourcesOf(item).map((id) => {
      const source = byId.get(id);
      return source && visit(source);
    });
    open.delete(item.id);
    const before = previous?.inputs.get(item.id);
    const unchanged =
      before?.item === item && before.sources.every((source, index) => source === sources[index]);
    const result = (unchanged && previous?.items.get(item.id)) || compute(item, sources);
    items.set(item.id, result);
    inputs.set(item.id, { item, sources });
    return result;
  };
  document.items.forEach(visit);
  return { items, inputs };
}

function compute(item: FigureItem, sources: readonly (EvaluatedItem | undefined)[]): EvaluatedItem {
  if (item.kind === 'point') return { status: 'point', at: item.at };
  if (item.kind === 'picture') return { status: 'picture' };
  if (item.kind === 'curve') return { status: 'curve', curve: item.curve };
  const known: Geometry[] = [];
  for (const source of sources) {
    if (!source) return { status: 'failed', reason: told('lostSource', { name: item.name }) };
    if (source.status === 'failed') {
      return { status: 'failed', reason: told('waitsForSource', { name: item.name, reason: source.reason }) };
    }
    const geometry = geometryOf(source);
    if (!geometry) return { status: 'failed', reason: told('notFromPicture', { name: item.name }) };
    known.push(geometry);
  }
  try {
    if (item.kind === 'built') return { status: 'curve', ...operate(item.operation, known) };
    const curve = curveOfShape(item.shape);
    refuseTooManyPoints(curve.points.length);
    return { status: 'curve', curve };
  } catch (error) {
    if (error instanceof CurveError) return { status: 'failed', reason: error.told };
    throw error;
  }
}

/** The geometry that an item came to; a picture and what failed have none. */
export function geometryOf(evaluated: EvaluatedItem): Geometry | undefined {
  if (evaluated.status === 'curve') return { kind: 'curve', curve: evaluated.curve };
  return evaluated.status === 'point' ? { kind: 'point', at: evaluated.at } : undefined;
}

/** The curve that an item came to, or `undefined` for points and failed items. */
export function curveOf(evaluation: Evaluation, id: string | null): Curve | undefined {
  const result = id === null ? undefined : evaluation.items.get(id);
  return result?.status === 'curve' ? result.curve : undefined;
}
