import { reverseCurve } from '../../curve/reparametrise.js';
import type { BridgeEnd } from '../../curve/bridge.js';
import type { Curve, Point } from '../../curve/curve.js';
import { choice, number, signs } from '../../describe/describe.js';
import { curvesOf, type Geometry } from '../part/geometry.js';
import { pulls } from '../part/handle.js';
import { onCurves, twoCurves } from './define.js';
import { mathematics } from './later.js';

type Order = 'G0' | 'G1' | 'G2' | 'G3';
interface Arguments {
  readonly end: 'start' | 'end';
  readonly continuity: Order;
  readonly strength: number;
  readonly secondEnd: 'start' | 'end';
  readonly secondContinuity: Order;
  readonly secondStrength: number;
}

const orderOf = (continuity: Order): BridgeEnd['order'] => Number(continuity[1]) as BridgeEnd['order'];
const strengthField = number({ unit: 'ratio', least: 0.01, most: 100 });

function bridgeOf(first: Curve, second: Curve, args: Arguments): Curve {
  return mathematics().bridgeCurves(
    { curve: first, end: args.end, order: orderOf(args.continuity), strength: args.strength },
    {
      curve: second,
      end: args.secondEnd,
      order: orderOf(args.secondContinuity),
      strength: args.secondStrength,
    },
  );
}

/** Both ends of a bridge with the arguments that belong to each. */
const sides = [
  { key: 'handle 1', which: 'first', continuity: 'continuity', strength: 'strength' },
  { key: 'handle 2', which: 'second', continuity: 'secondContinuity', strength: 'secondStrength' },
] as const;

function between(sources: readonly Geometry[], args: Arguments): Curve {
  const [first, second] = curvesOf(sources);
  return bridgeOf(first!, second!, args);
}

/** A new curve from one end to another, with a chosen continuity and strength at each. */
export const bridge = onCurves({
  name: 'bridge',
  aim: 'together',
  sources: twoCurves,
  arguments: {
    end: choice('start', 'end'),
    continuity: signs('G0', 'G1', 'G2', 'G3'),
    strength: strengthField,
    secondEnd: choice('start', 'end'),
    secondContinuity: signs('G0', 'G1', 'G2', 'G3'),
    secondStrength: strengthField,
  },
  shape: 'another',
  beside: true,
  asks: ['end', 'continuity', 'strength', 'secondEnd', 'secondContinuity', 'secondStrength'],
  first: () =>
    ({
      end: 'end',
      continuity: 'G1',
      strength: 1,
      secondEnd: 'start',
      secondContinuity: 'G1',
      secondStrength: 1,
    }) as const,
  handles: {
    at: (sources, args) => {
      const curve = between(sources, args);
      return sides.flatMap(({ key, which, continuity }) => {
        const handle = mathematics().bridgeHandle(curve, which, orderOf(args[continuity]));
        return handle ? [pulls(key, handle.at, handle.from)] : [];
      });
    },
    move: (sources, args, key: string, to: Point) => {
      const side = sides.find((other) => other.key === key);
      if (!side) return args;
      const strength = mathematics().strengthFor(between(sources, args), side.which, to, args[side.strength]);
      return { ...args, [side.strength]: Math.min(100, strength) };
    },
  },
  run: (curve, args, second) => bridgeOf(curve, second, args),
  calculation: async (curve, args, second) =>
    (await import('../calculation/bridging.js')).bridging(
      bridgeOf(curve, second, args),
      [args.strength, args.secondStrength],
      args.end === 'end' ? curve : reverseCurve(curve),
      args.secondEnd === 'start' ? second : reverseCurve(second),
    ),
});
