import { enclosedArea } from '../../curve/area.js';
import { withPositiveForm } from '../../curve/betweenPoles.js';
import { closednessOfItem } from './closedness.js';
import type { FactMember } from './define.js';

/** The area enclosed, of what encloses one: an open curve has none, and neither has one that runs to infinity. */
export const area: FactMember = (curve, item) => {
  const measured = withPositiveForm(curve);
  return !measured || curve.points[0]!.length !== 2 || closednessOfItem(curve, item) === 'open'
    ? undefined
    : { kind: 'number', value: Math.abs(enclosedArea(measured)), unit: 'area' };
};
