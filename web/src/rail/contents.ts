import { looksOf } from '@bogen/core/figure';
import { comparedCurve } from '../figure/scene/compared.js';
import type { FigureScene } from '../figure/scene/scene.js';
import type { TrackContents } from './track.js';

/** What the rail's tracks show now; nothing while it has no curve. */
export function contentsOf(scene: FigureScene): TrackContents | undefined {
  const curve = scene.railCurve;
  if (!curve) return undefined;
  const support = scene.litSupport;
  return {
    curve,
    compared: comparedCurve(scene),
    looks: looksOf(scene.document),
    lit: support?.item === scene.document.rail.item ? support : null,
  };
}
