import { interpolate, interpolateClosed } from '../../curve/interpolate.js';
import { flag } from '../../describe/describe.js';
import { degree, parametrisation } from '../part/parts.js';
import { onReferencePoints } from './define.js';

/** The curve that passes through reference points, in this order. */
export const curveThroughReferencePoints = onReferencePoints({
  name: 'curveThroughReferencePoints',
  arguments: { degree, parametrisation, closed: flag },
  run: (points, args) =>
    args.closed
      ? interpolateClosed(points, args.degree, args.parametrisation).curve
      : interpolate(points, args.degree, args.parametrisation).curve,
});
