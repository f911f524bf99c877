import { reverseCurve } from '../../curve/reparametrise.js';
import { choice, flag, line, optional } from '../../describe/describe.js';
import { onCurves, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** A curve and its mirror image in one, its end put on the line. */
export const symmetric = onCurves({
  name: 'symmetric',
  aim: 'together',
  sources: oneCurve,
  arguments: {
    axis: line,
    /**
     * Which side of the place where the curve crosses the axis is kept, where it does; the other goes. The
     * whole curve is taken for the half where absent.
     */
    keep: optional(choice('before', 'after')),
    smooth: flag,
  },
  shape: 'another',
  asks: ['axis', 'keep', 'smooth'],
  first: ({ points }) => {
    const xs = points.map(([x]) => x!);
    const middle = Math.round(5 * (Math.min(...xs) + Math.max(...xs))) / 10;
    return {
      axis: [
        [middle, 0],
        [middle, 1],
      ],
      keep: 'before',
      smooth: true,
    } as const;
  },
  run: (curve, { axis, smooth, keep }) => {
    const mirror = mathematics().mirrorThrough(...axis);
    if (!keep) return mathematics().symmetricCurve(curve, mirror, smooth);
    const { half, goes } = mathematics().halfAtMirror(curve, mirror, keep);
    const made = mathematics().symmetricCurve(half, mirror, smooth);
    // It runs as the source does.
    return { curve: keep === 'after' ? reverseCurve(made) : made, ...(goes ? { goes: [goes] } : {}) };
  },
  calculation: async (curve, { axis }) =>
    (await import('../calculation/pointByPoint.js')).mirrored(curve, mathematics().mirrorThrough(...axis)),
});
