import { degree, parametrisation } from '../part/parts.js';
import { notAsked, oneCurve } from './define.js';
import { mathematics } from './later.js';

/** The curve that passes through the control points of its source. */
export const throughPoints = notAsked({
  name: 'throughPoints',
  sources: oneCurve,
  arguments: { degree, parametrisation },
  shape: 'another',
  run: (curve, args) => mathematics().interpolate(curve.points, args.degree, args.parametrisation).curve,
});
