import type { Curve } from '../../curve/curve.js';
import { multiplicityAt } from '../../curve/knotVector.js';
import { moveKnot as move } from '../../curve/moveKnot.js';
import { itemId, number, optional, tagged, whole, type ValueOf } from '../../describe/describe.js';
import { givenCurve, withCurve, withItem } from './change.js';
import type { CommandMember } from './define.js';
import type { PatchItem } from './patchItem.js';
import type { SetCurve } from './setCurve.js';

const description = tagged('name', 'moveKnot', {
  item: itemId,
  /** The value of the knot, as it is. */
  knot: number({ unit: 'parameter', from: 'knots' }),
  to: number({ unit: 'parameter' }),
  /** How many of a multiple knot go; all where absent. */
  times: optional(whole(1, 10)),
});
export type MoveKnot = ValueOf<typeof description>;

/** Where a knot of full multiplicity went with all of it; nothing where it is no longer one of that multiplicity. */
function movedKnot(before: Curve, after: Curve, knot: number): number | undefined {
  const index = before.knots.indexOf(knot);
  const to = after.knots[index]!;
  return multiplicityAt(after, to) === after.degree ? to : undefined;
}

/** An interior knot of a given curve goes to another value, with all its multiplicity or some of it. */
export const moveKnot: CommandMember<MoveKnot, SetCurve | PatchItem> = {
  description,
  apply: (document, { item: id, knot, to, times }) => {
    const item = givenCurve(document, id);
    const curve = move(item.curve, knot, to, times);
    // Where it became one with a neighbour, both knots are needed to lead back.
    const back = { name: 'setCurve', item: id, curve: item.curve } as const;
    const locks = item.lockedKnots ?? [];
    const own = locks.find((lock) => lock.knot === knot);
    // A lock goes along with its knot, as long as all of it goes to a place of its own.
    const moved = own && movedKnot(item.curve, curve, knot);
    if (moved === undefined || moved === knot)
      return { document: withCurve(document, item, curve), inverse: back };
    return {
      document: withItem(document, {
        ...item,
        curve,
        lockedKnots: locks.map((lock) => (lock === own ? { ...lock, knot: moved } : lock)),
      }),
      inverse: {
        name: 'batch',
        commands: [back, { name: 'patchItem', item: id, set: { lockedKnots: locks }, clear: [] }],
      },
    };
  },
  touches: ({ item }) => [`${item}/form`],
};
