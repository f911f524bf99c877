import { withPositiveForm } from '../../curve/betweenPoles.js';
import { lengthOfCurve } from '../../curve/length.js';
import { lengthCalculation } from '../calculation/ofFacts.js';
import { unfolding, type FactMember } from './define.js';

/** The arc length; a curve that runs to infinity has none. */
export const length: FactMember = unfolding(
  (curve) => {
    const measured = withPositiveForm(curve);
    return measured && { kind: 'number', value: lengthOfCurve(measured), unit: 'length' };
  },
  (curve) => {
    const measured = withPositiveForm(curve);
    return measured ? lengthCalculation(measured) : [];
  },
);
