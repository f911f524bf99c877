import { choice, flag, list, number, object, optional, place } from '../../describe/describe.js';
import { figureLimits } from '../part/parts.js';
import { passed, pulls } from '../part/handle.js';
import { defineShape } from './define.js';
import { mathematics } from './later.js';

const node = object({
  point: place,
  before: place,
  after: place,
  kind: choice('corner', 'aligned', 'equal'),
  /** Where it has one of its own. */
  parameter: optional(number({ unit: 'parameter', above: 0, below: 1 })),
});

/** A chain of cubic Bézier pieces between nodes with handles. */
export const chain = defineShape(
  'chain',
  { chain: object({ nodes: list(node, figureLimits.points), closed: flag }) },
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
