import type { Curve } from '../../curve/curve.js';
import {
  choice,
  list,
  number,
  object,
  onlyTrue,
  optional,
  place,
  whole,
  type ObjectField,
  type ValueOf,
  type WholeField,
} from '../../describe/describe.js';

/** Descriptions that operations, shapes, commands and conditions share. */

/** The largest number of items in a figure and of points in one curve that are accepted. */
export const figureLimits = { items: 2500, points: 2000, strokePoints: 20_000 };

export const degree: WholeField = { ...whole(1, 9), is: 'degree' };
export const index: WholeField = { ...whole(0, 100_000), is: 'index' };
/** A parameter value of a curve; a form offers the one at the cursor. */
export const parameter = number({ unit: 'parameter', from: 'cursor' });
export const positiveLength = number({ unit: 'length', above: 0 });
export const parametrisation = choice('uniform', 'chord', 'centripetal');
export const pointKind = choice('controlPoints', 'editPoints');
export const places = list(place, figureLimits.points);

const curveFields = object({
  degree,
  knots: list(number(), figureLimits.points + 20),
  points: places,
  weights: optional(list(number(), figureLimits.points)),
  signedWeights: optional(onlyTrue),
  periodic: optional(onlyTrue),
});

/** A curve as it is stored; its sense is checked by `validateCurve`. */
export const curve: ObjectField<typeof curveFields.fields> = curveFields;

type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : never) : never;
// Does not compile where the description and the type part ways.
void (true satisfies Same<ValueOf<typeof curve>, Curve>);
