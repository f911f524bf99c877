import { guaranteedContinuity } from '../../curve/continuity.js';
import type { Curve } from '../../curve/curve.js';
import type { Deviation } from '../../curve/deviation.js';
import { CurveError } from '../../curve/error.js';
import { spansOf } from '../../curve/knotVector.js';
import { distinctPointCount } from '../../curve/periodic.js';
import { itemOf, type FigureDocument } from '../document/document.js';
import type { FigureItem } from '../document/item.js';
import { closednessOfItem } from '../fact/closedness.js';
import type { Closedness } from '../fact/define.js';
import { told, type Told } from '../../told/told.js';
import { evaluateFigure, geometryOf, type Evaluation } from './evaluate.js';
import type { Geometry } from '../part/geometry.js';
import { operate, sourcesOfOperation } from '../operation/operate.js';
import type { OperationResult } from '../operation/define.js';
import type { Operation } from '../operation/operations.js';

/** The numbers that say what a curve costs and how smooth it is. */
export interface CurveCounts {
  readonly degree: number;
  readonly spans: number;
  readonly points: number;
  readonly knots: number;
  /** The lowest order that a knot guarantees; the degree where there is no knot inside. */
  readonly continuity: number;
  readonly closedness: Closedness;
}

/** What an operation would come to, before it is applied. */
export type Preview =
  | ({
      readonly status: 'curve';
      /** Counts of the first source and of the result, to be read side by side; no source counts for points. */
      readonly before: CurveCounts | undefined;
      readonly after: CurveCounts;
      readonly deviation: Deviation | undefined;
    } & Omit<OperationResult, 'deviation'>)
  | { readonly status: 'failed'; readonly reason: Told };

/** The counts of a curve; of a shape that is drawn closed the item says so. */
export function countsOf(curve: Curve, item?: FigureItem): CurveCounts {
  return {
    degree: curve.degree,
    spans: spansOf(curve.knots, curve.degree).length,
    points: distinctPointCount(curve),
    knots: curve.knots.length,
    continuity: Math.min(curve.degree, ...guaranteedContinuity(curve).map(({ order }) => order)),
    closedness: closednessOfItem(curve, item),
  };
}

/**
 * What an operation would come to in a figure, with the numbers that it changes. The figure stays as it
 * is; an operation that can't be done gives its reason.
 * @param evaluation of the document, where it is known
 */
export function previewOperation(
  document: FigureDocument,
  operation: Operation,
  evaluation: Evaluation = evaluateFigure(document),
): Preview {
  const sources: Geometry[] = [];
  for (const id of sourcesOfOperation(operation)) {
    const item = evaluation.items.get(id);
    if (!item) return { status: 'failed', reason: told('previewSourceMissing') };
    if (item.status === 'failed') return { status: 'failed', reason: item.reason };
    const geometry = geometryOf(item);
    if (!geometry) return { status: 'failed', reason: told('nothingFromPicture') };
    sources.push(geometry);
  }
  try {
    const { deviation, ...result } = operate(operation, sources);
    const first = sources[0];
    return {
      status: 'curve',
      ...result,
      deviation,
      before:
        first?.kind === 'curve'
          ? countsOf(first.curve, itemOf(document, sourcesOfOperation(operation)[0]!))
          : undefined,
      after: countsOf(result.curve),
    };
  } catch (error) {
    if (error instanceof CurveError) return { status: 'failed', reason: error.told };
    throw error;
  }
}
