import { distinctPointCount, shortKnotList } from '@bogen/core/curve';
import {
  trackOf,
  type TrackName,
  distinctKnotsOf,
  plottedValues,
  rangeWithZero,
  type TrackContents,
} from '@bogen/core/figure';
import type { TFunction } from 'i18next';
import { shownNumber, shownScientific } from '../text/number.js';

type Contents = Pick<TrackContents, 'curve' | 'compared'>;

/** Which of a track's texts fits: there may be one of its own for rational curves, and for nothing to compare with. */
function contextOf(name: TrackName, { curve, compared }: Contents): string | undefined {
  if (trackOf(name).compares && !compared) return 'nothing';
  if (name === 'weights' && curve.signedWeights) return 'signed';
  return curve.weights ? 'rational' : undefined;
}

/** The note below a track's name. */
export function noteOf(name: TrackName, contents: Contents, t: TFunction<'texts'>): string {
  const { knots, degree } = contents.curve;
  return t(`rail.tracks.${name}.note` as 'rail.tracks.knots.note', {
    context: contextOf(name, contents),
    count: knots.length,
    short: shortKnotList(knots).length,
    degree,
  });
}

/** What a track shows, in words, for those who don't see it. */
export function summaryOf(name: TrackName, contents: TrackContents, t: TFunction<'texts'>): string {
  const { curve } = contents;
  const [least, most] = rangeWithZero(plottedValues(trackOf(name), contents));
  const knots = distinctKnotsOf(curve)
    .map(({ value, multiplicity }) => t('rail.timesAt', { value: shownNumber(value, 1), multiplicity }))
    .join('; ');
  return t(`rail.tracks.${name}.summary` as 'rail.tracks.knots.summary', {
    context: contextOf(name, contents),
    knots,
    degree: curve.degree,
    functions: distinctPointCount(curve),
    least: shownScientific(least),
    most: shownScientific(most),
  });
}
