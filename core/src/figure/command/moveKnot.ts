import { moveKnot as move } from '../../curve/moveKnot.js';
import { itemId, number, tagged, type ValueOf } from '../../describe/describe.js';
import { givenCurve, withCurve } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'moveKnot', {
  item: itemId,
  /** The value of the knot, as it is. */
  knot: number({ unit: 'parameter', from: 'knots' }),
  to: number({ unit: 'parameter' }),
});
export type MoveKnot = ValueOf<typeof description>;

/** An interior knot of a given curve goes to another value, with all its multiplicity. */
export const moveKnot: CommandMember<MoveKnot> = {
  description,
  apply: (document, { item: id, knot, to }) => {
    const item = givenCurve(document, id);
    return {
      document: withCurve(document, item, move(item.curve, knot, to)),
      // Where it became one with a neighbour, both knots are needed to lead back.
      inverse: { name: 'setCurve', item: id, curve: item.curve },
    };
  },
  touches: ({ item }) => [`${item}/form`],
};
