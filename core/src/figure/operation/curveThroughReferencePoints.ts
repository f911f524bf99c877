import { flag } from '../../describe/describe.js';
import { degree, parametrisation } from '../part/parts.js';
import { onReferencePoints } from './define.js';
import { mathematics } from './later.js';

/** The curve that passes through reference points, in this order. */
export const curveThroughReferencePoints = onReferencePoints({
  name: 'curveThroughReferencePoints',
  arguments: { degree, parametrisation, closed: flag },
  run: (points, args) =>
    args.closed
      ? mathematics().interpolateClosed(points, args.degree, args.parametrisation).curve
      : mathematics().interpolate(points, args.degree, args.parametrisation).curve,
});
