import { moveKnot as move } from '../../curve/moveKnot.js';
import { itemId, number, optional, tagged, whole, type ValueOf } from '../../describe/describe.js';
import { givenCurve, withCurve } from './change.js';
import type { CommandMember } from './define.js';

const description = tagged('name', 'moveKnot', {
  item: itemId,
  /** The value of the knot, as it is. */
  knot: number({ unit: 'parameter', from: 'knots' }),
  to: number({ unit: 'parameter' }),
  /** How many of a multiple knot go; all where absent. */
  times: optional(whole(1, 10)),
});
export type MoveKnot = ValueOf<typeof description>;

/** An interior knot of a given curve goes to another value, with all its multiplicity or some of it. */
export const moveKnot: CommandMember<MoveKnot> = {
  description,
  apply: (document, { item: id, knot, to, times }) => {
    const item = givenCurve(document, id);
    return {
      document: withCurve(document, item, move(item.curve, knot, to, times)),
      // Where it became one with a neighbour, both knots are needed to lead back.
      inverse: { name: 'setCurve', item: id, curve: item.curve },
    };
  },
  touches: ({ item }) => [`${item}/form`],
};
