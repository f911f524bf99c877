import '@bogen/core/mathematics';
import { pointAt, domainOf, type Point } from '@bogen/core/curve';
import {
  boxOf,
  curveOf,
  emptyFigure,
  evaluateFigure,
  type FigureDocument,
  type FigureItem,
} from '@bogen/core/figure';
import {
  formats,
  readerOf,
  type FormatName,
  type FormatOptions,
  type Reached,
  type ReadFile,
} from '@bogen/core/format';
import { ToldError, type Notation } from '@bogen/core/lesson';
import { expose } from 'comlink';
import type { Outcome } from './heavyWork.js';

/** What came in by a file, with the box that holds it. */
export interface FileContent extends ReadFile {
  readonly box: { readonly low: Point; readonly high: Point } | undefined;
}

/** Places on each curve by which the box is found. */
const placesOnCurve = 32;

function outcome<Value>(make: () => Value): Outcome<Value> {
  try {
    return { value: make() };
  } catch (error) {
    if (error instanceof ToldError) return { reason: error.told };
    throw error;
  }
}

/** Tells the page of every fiftieth part, and not of every step. */
function seldom(reached: Reached): Reached {
  let last = 0;
  return (share) => {
    if (share < last + 0.02) return;
    last = share;
    reached(share);
  };
}

/** Files are written and read beside the page, in a worker that can be stopped at any time. */
const work = {
  write: (
    reached: Reached,
    format: FormatName,
    document: FigureDocument,
    options: FormatOptions,
    time: string,
    notation: Notation,
  ) =>
    outcome(() =>
      formats[format].write(
        { document, evaluation: evaluateFigure(document), time, notation },
        options,
        seldom(reached),
      ),
    ),
  read: (reached: Reached, format: FormatName, text: string) =>
    outcome((): FileContent => {
      const content = readerOf(formats[format])(text, seldom(reached));
      return { ...content, box: boxOf(placesOf(content.items)) };
    }),
};

function placesOf(items: readonly FigureItem[]): Point[] {
  const evaluation = evaluateFigure({ ...emptyFigure(), items });
  return items.flatMap((item): Point[] => {
    if (item.kind === 'point') return [item.at];
    const curve = curveOf(evaluation, item.id);
    if (!curve) return [];
    const [start, end] = domainOf(curve.knots, curve.degree);
    return Array.from({ length: placesOnCurve + 1 }, (_, k) =>
      pointAt(curve, start + ((end - start) * k) / placesOnCurve),
    );
  });
}

export type ExchangeWork = typeof work;
expose(work);
