import { derivativesAt } from '../../curve/evaluate.js';
import { domainOf } from '../../curve/knotVector.js';
import { angleBetween } from '../../curve/vector.js';
import { choice, number } from '../../describe/describe.js';
import { atMost, defineCondition, notThere } from './define.js';

/** At one end the curve runs in a direction, counterclockwise from the horizontal, within an angle. */
export const tangentAtEnd = defineCondition(
  'tangentAtEnd',
  {
    end: choice('start', 'end'),
    direction: number({ unit: 'degrees' }),
    within: number({ unit: 'degrees', least: 0 }),
  },
  'degrees',
  ({ end, direction, within }, { curve }) => {
    const [from, to] = domainOf(curve.knots, curve.degree);
    const [, tangent] = derivativesAt(
      curve,
      end === 'start' ? from : to,
      1,
      end === 'start' ? 'right' : 'left',
    );
    if (tangent!.every((component) => component === 0)) return notThere;
    const radians = (direction * Math.PI) / 180;
    const wanted = tangent!.map((_, axis) => [Math.cos(radians), Math.sin(radians)][axis] ?? 0);
    return atMost((angleBetween(tangent!, wanted) * 180) / Math.PI, within);
  },
  () => ({ end: 'start', direction: 0, within: 1 }) as const,
);
