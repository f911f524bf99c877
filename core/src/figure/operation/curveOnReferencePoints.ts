import { clampedUniformKnots } from '../../curve/knotVector.js';
import { periodicCurve } from '../../curve/periodic.js';
import { flag } from '../../describe/describe.js';
import { degree } from '../part/parts.js';
import { onReferencePoints } from './define.js';

/** The curve whose control points are reference points, in this order. */
export const curveOnReferencePoints = onReferencePoints({
  name: 'curveOnReferencePoints',
  arguments: { degree, closed: flag },
  run: (points, { degree: p, closed }) =>
    closed ? periodicCurve(p, points) : { degree: p, knots: clampedUniformKnots(points.length, p), points },
});
