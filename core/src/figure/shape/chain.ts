import type { ChainNode, NodeKind } from '../../curve/bezierChain.js';
import { choice, flag, list, number, object, optional, place } from '../../describe/describe.js';
import { figureLimits } from '../part/parts.js';
import { passed, pulls } from '../part/handle.js';
import { defineShape, type SetPlace } from './define.js';
import { mathematics } from './later.js';

const node = object({
  point: place,
  before: place,
  after: place,
  kind: choice('corner', 'aligned', 'equal'),
  /** Where it has one of its own. */
  parameter: optional(number({ unit: 'parameter', above: 0, below: 1 })),
});

/** A node with the handle that was pulled out of it; a corner's other handle stays in the node. */
function nodeOf({ at: point, pulled }: SetPlace, kind: NodeKind): ChainNode {
  if (!pulled) return { point, before: point, after: point, kind: 'corner' };
  const before = kind === 'corner' ? point : point.map((value, axis) => 2 * value - pulled[axis]!);
  return { point, before, after: pulled, kind };
}

/** A chain of cubic Bézier pieces between nodes with handles. */
export const chain = defineShape(
  'chain',
  { chain: object({ nodes: list(node, figureLimits.points), closed: flag }) },
  {
    least: 2,
    most: figureLimits.points,
    options: { nodeKind: choice('equal', 'aligned', 'corner'), closed: flag },
    first: { nodeKind: 'equal', closed: false },
    make: (set, { nodeKind, closed }) => ({
      chain: { nodes: set.map((one) => nodeOf(one, one.kind ?? nodeKind)), closed },
    }),
    closes: 'corner',
    mirrors: true,
    pulls: true,
  },
  {
    curve: (shape) => mathematics().curveOfChain(shape.chain),
    handles: (shape) =>
      shape.chain.nodes.flatMap(({ point, before, after }, index) => [
        passed(`${index}`, point),
        pulls(`${index}/before`, before, point),
        pulls(`${index}/after`, after, point),
      ]),
    moveHandle: (shape, key, to) => {
      const [index, side] = key.split('/') as [string, 'before' | 'after' | undefined];
      return {
        ...shape,
        chain: side
          ? mathematics().moveHandle(shape.chain, Number(index), side, to)
          : mathematics().moveNode(shape.chain, Number(index), to),
      };
    },
    closed: (shape) => shape.chain.closed,
  },
);
