import { withDegree } from '../../curve/withDegree.js';
import { degree } from '../part/parts.js';
import { notAsked, oneCurve } from './define.js';

/** The curve of another degree on the same control points and weights, with uniform knots. */
export const curveOfDegree = notAsked({
  name: 'curveOfDegree',
  sources: oneCurve,
  arguments: { degree },
  shape: 'another',
  run: (curve, args) => withDegree(curve, args.degree),
});
