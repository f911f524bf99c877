import { distinctPointCount } from '../../curve/periodic.js';
import type { FactMember } from './define.js';

/** The weights of a rational curve's control points. */
export const weights: FactMember = (curve) =>
  curve.weights && { kind: 'list', values: curve.weights.slice(0, distinctPointCount(curve)) };
