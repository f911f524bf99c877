import { distinctPointCount, spansOf } from '@bogen/core/curve';
import { curveOf, facts } from '@bogen/core/figure';
import { useDeferredValue, useRef, useSyncExternalStore } from 'react';
import { shownScientific, superscript } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { continuityOf } from '../geometry/geometry.js';
import type { FigureScene } from '../scene/scene.js';

/** What tells two curves side by side apart: points, spans, least continuity, and how smooth the comb is. */
export function PaneFacts({ scene, item }: { scene: FigureScene; item: string }) {
  const { t } = useTranslation();
  const kept = useRef(curveOf(scene.evaluation, item));
  const settled = useSyncExternalStore(scene.onRest, () => {
    if (scene.host.motion() === 'rest') kept.current = curveOf(scene.evaluation, item);
    return kept.current;
  });
  const curve = useDeferredValue(settled);
  if (!curve) return null;
  const peaks = facts.combPeaks(curve, undefined);
  const kink = facts.combSlopeJump(curve, undefined);
  const least = Math.min(curve.degree, ...continuityOf(curve).map(({ order }) => order));
  const line = [
    t('figure.degree', { degree: curve.degree }),
    t('figure.spans', { count: spansOf(curve.knots, curve.degree).length }),
    t('figure.points', { count: distinctPointCount(curve) }),
    t('facts.leastContinuity', { order: superscript(least) }),
  ].join(' · ');
  const comb = [
    ...(peaks?.kind === 'whole' ? [t('facts.peaks', { count: peaks.value })] : []),
    ...(kink?.kind === 'number'
      ? [
          kink.value > 0
            ? t('facts.kink', { jump: `${shownScientific(kink.value)} ${t('facts.units.curvatureSlope')}` })
            : t('facts.noKink'),
        ]
      : []),
  ].join(' · ');
  return (
    <p
      className="pointer-events-none absolute bottom-2.5 left-4 text-[12px] leading-[1.5] text-soft"
      data-pane-facts
    >
      {line}
      <br />
      {comb}
    </p>
  );
}
