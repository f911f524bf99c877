import type { Told } from '@bogen/core/lesson';
import type { Curve, Point } from '@bogen/core/curve';
import { useEffect, useState } from 'react';
import { heavy, type StrokeFit } from '../../worker/heavy.js';

/** A freehand stroke as a curve, and what other tolerances would come to. */
export interface FittedStroke {
  readonly curve: Curve;
  readonly fit: StrokeFit;
  /** Number of points against tolerance, ascending; as far as they are calculated. */
  readonly series: readonly StrokeFit[];
}

const tolerances = [0.1, 0.2, 0.5, 1, 2, 5, 10];

/** The fit of a stroke, calculated beside the page; `null` while there is none. */
export function useStrokeFit(
  points: readonly Point[] | null,
  tolerance: number,
  degree: number,
): { readonly fitted: FittedStroke | null; readonly problem: Told | null } {
  const [main, setMain] = useState<{ curve: Curve; fit: StrokeFit; of: readonly Point[] } | null>(null);
  const [series, setSeries] = useState<{
    fits: readonly StrokeFit[];
    of: readonly Point[];
    degree: number;
  } | null>(null);
  const [problem, setProblem] = useState<Told | null>(null);
  useEffect(() => {
    if (!points) return undefined;
    let stale = false;
    void heavy.fitStroke(points, tolerance, degree).then((outcome) => {
      if (stale) return;
      setProblem('reason' in outcome ? outcome.reason : null);
      if ('value' in outcome) setMain({ curve: outcome.value.curve, fit: outcome.value, of: points });
    });
    return () => {
      stale = true;
    };
  }, [points, tolerance, degree]);
  useEffect(() => {
    if (!points) return undefined;
    let stale = false;
    const next = async (): Promise<void> => {
      const fits: StrokeFit[] = [];
      for (const each of tolerances) {
        const outcome = await heavy.fitStroke(points, each, degree);
        if (stale) return;
        if ('value' in outcome) fits.push(outcome.value);
        setSeries({ fits: [...fits], of: points, degree });
      }
    };
    void next();
    return () => {
      stale = true;
    };
  }, [points, degree]);
  if (!points || main?.of !== points) return { fitted: null, problem: points ? problem : null };
  const known = series?.of === points && series.degree === degree ? series.fits : [];
  return { fitted: { curve: main.curve, fit: main.fit, series: known }, problem };
}
