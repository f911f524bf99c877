import { distinctPointCount, shortKnotList, type Curve, type TrackName } from '@bogen/core';
import type { TFunction } from 'i18next';
import { distancesOf } from '../figure/drawDeviation.js';
import { distinctKnotsOf, samplesOf } from '../figure/geometry.js';
import { shownNumber, shownScientific } from '../text/number.js';
import { rangeWithZero } from './functionTrack.js';
import { lengthsOf } from './lengthTracks.js';

interface Words {
  readonly title: string;
  readonly note: string;
  readonly summary: string;
}

/** What a track is called, its note below, and its contents in words. */
export function wordsOf(
  name: TrackName,
  curve: Curve,
  compared: Curve | undefined,
  t: TFunction<'texts'>,
): Words {
  const title = t(`rail.${name}`);
  const range = (values: ArrayLike<number>): { least: string; most: string } => {
    const [least, most] = rangeWithZero(values);
    return { least: shownScientific(least), most: shownScientific(most) };
  };
  const facts = { degree: curve.degree, count: distinctPointCount(curve) };
  switch (name) {
    case 'knots': {
      const list = distinctKnotsOf(curve)
        .map(({ value, multiplicity }) => t('rail.timesAt', { value: shownNumber(value, 3), multiplicity }))
        .join('; ');
      const note = t('rail.values', { count: curve.knots.length, short: shortKnotList(curve.knots).length });
      return { title, note, summary: t('rail.knotsAt', { list }) };
    }
    case 'basis':
      return {
        title,
        note: curve.weights ? t('rail.rationalOfDegree', facts) : t('rail.ofDegree', facts),
        summary: t('rail.basisSummary', facts),
      };
    case 'curvature':
      return {
        title,
        note: t('rail.perMillimetre'),
        summary: t('rail.curvatureSummary', range(samplesOf(curve).curvature)),
      };
    case 'speed':
      return {
        title,
        note: t('rail.perParameter'),
        summary: t('rail.speedSummary', range(samplesOf(curve).speeds)),
      };
    case 'length':
      return {
        title,
        note: t('rail.inMillimetres'),
        summary: t('rail.lengthSummary', range(lengthsOf(curve))),
      };
    case 'derivatives':
      return { title, note: t('rail.components'), summary: t('rail.derivativesSummary') };
    case 'deviation':
      return compared
        ? {
            title,
            note: t('rail.inMillimetres'),
            summary: t('rail.deviationSummary', range(distancesOf(curve, compared))),
          }
        : { title, note: t('rail.nothingCompared'), summary: t('rail.nothingCompared') };
  }
}
