import { distinctPointCount, shortKnotList, type Curve, type TrackName } from '@bogen/core';
import type { TFunction } from 'i18next';
import { distancesOf } from '../figure/drawDeviation.js';
import { distinctKnotsOf, samplesOf } from '../figure/geometry.js';
import { shownNumber, shownScientific } from '../text/number.js';
import { rangeWithZero } from './functionTrack.js';
import { lengthsOf } from './lengthTracks.js';

/** The note below a track's name. */
export function noteOf(
  name: TrackName,
  curve: Curve,
  compared: Curve | undefined,
  t: TFunction<'texts'>,
): string {
  switch (name) {
    case 'knots':
      return t('rail.values', { count: curve.knots.length, short: shortKnotList(curve.knots).length });
    case 'basis':
      return t(curve.weights ? 'rail.rationalOfDegree' : 'rail.ofDegree', { degree: curve.degree });
    case 'curvature':
      return t('rail.perMillimetre');
    case 'speed':
      return t('rail.perParameter');
    case 'length':
      return t('rail.inMillimetres');
    case 'derivatives':
      return t('rail.components');
    case 'deviation':
      return compared ? t('rail.inMillimetres') : t('rail.nothingCompared');
  }
}

/** What a track shows, in words, for those who don't see it. */
export function summaryOf(
  name: TrackName,
  curve: Curve,
  compared: Curve | undefined,
  t: TFunction<'texts'>,
): string {
  const range = (values: ArrayLike<number>): { least: string; most: string } => {
    const [least, most] = rangeWithZero(values);
    return { least: shownScientific(least), most: shownScientific(most) };
  };
  switch (name) {
    case 'knots': {
      const list = distinctKnotsOf(curve)
        .map(({ value, multiplicity }) => t('rail.timesAt', { value: shownNumber(value, 3), multiplicity }))
        .join('; ');
      return t('rail.knotsAt', { list });
    }
    case 'basis':
      return t('rail.basisSummary', { degree: curve.degree, count: distinctPointCount(curve) });
    case 'curvature':
      return t('rail.curvatureSummary', range(samplesOf(curve).curvature));
    case 'speed':
      return t('rail.speedSummary', range(samplesOf(curve).speeds));
    case 'length':
      return t('rail.lengthSummary', range(lengthsOf(curve)));
    case 'derivatives':
      return t('rail.derivativesSummary');
    case 'deviation':
      return compared
        ? t('rail.deviationSummary', range(distancesOf(curve, compared)))
        : t('rail.nothingCompared');
  }
}
