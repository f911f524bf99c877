import '@bogen/core/mathematics';
import type { Told } from '@bogen/core/lesson';
import { CurveError, fitStroke, largestDistance, type Curve, type Point } from '@bogen/core/curve';
import { previewOperation, type FigureDocument, type Operation } from '@bogen/core/figure';
import { expose } from 'comlink';

/** The result of a calculation, or the sentence that says why there is none. */
export type Outcome<Value> = { readonly value: Value } | { readonly reason: Told };

/** A fit of a freehand stroke, by its numbers. */
export interface StrokeFit {
  readonly tolerance: number;
  readonly points: number;
  readonly deviation: number;
  readonly reached: boolean;
}

function outcome<Value>(calculate: () => Value): Outcome<Value> {
  try {
    return { value: calculate() };
  } catch (error) {
    if (error instanceof CurveError) return { reason: error.told };
    throw error;
  }
}

/** Calculations that can take longer than a frame, in a worker of the page. */
const work = {
  largestDistance: (first: Curve, second: Curve) => outcome(() => largestDistance(first, second)),
  preview: (document: FigureDocument, operation: Operation) => previewOperation(document, operation),
  fitStroke: (points: readonly Point[], tolerance: number, degree: number) =>
    outcome((): StrokeFit & { curve: Curve } => {
      const { curve, deviation, reached } = fitStroke(points, tolerance, degree);
      return { tolerance, points: curve.points.length, deviation, reached, curve };
    }),
};

export type HeavyWork = typeof work;
expose(work);
