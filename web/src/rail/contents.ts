import { domainOf, type Curve } from '@bogen/core/curve';
import { looksOf, type TrackContents } from '@bogen/core/figure';
import { comparedCurve } from '../figure/scene/compared.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useExact } from '../text/useExact.js';
import { trackWords } from './trackWords.js';

/** A curve where it has the same domain as another, so that both can be plotted over one axis. */
function sameDomain(curve: Curve, other: Curve | undefined): Curve | undefined {
  const [start, end] = domainOf(curve.knots, curve.degree);
  const [from, to] = other ? domainOf(other.knots, other.degree) : [];
  return from === start && to === end ? other : undefined;
}

/** What the rail's tracks show now; nothing while it has no curve. */
export function contentsOf(scene: FigureScene): TrackContents | undefined {
  const curve = scene.railCurve;
  if (!curve) return undefined;
  const support = scene.litSupport;
  return {
    curve,
    compared: comparedCurve(scene),
    made: sameDomain(curve, scene.previews.reparametrised),
    exact: useExact.getState().exact,
    looks: looksOf(scene.document),
    words: trackWords,
    lit: support?.item === scene.document.rail.item ? support : null,
  };
}
