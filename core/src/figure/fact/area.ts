import { enclosedArea } from '../../curve/area.js';
import { closednessOfItem } from './closedness.js';
import type { FactMember } from './define.js';

/** The area enclosed, of what encloses one: an open curve has none. */
export const area: FactMember = (curve, item) =>
  curve.points[0]!.length !== 2 || closednessOfItem(curve, item) === 'open'
    ? undefined
    : { kind: 'number', value: Math.abs(enclosedArea(curve)), unit: 'area' };
