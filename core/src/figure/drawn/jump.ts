import type { Curve } from '../../curve/curve.js';
import { knotJumps } from '../../curve/continuity.js';
import { distinctKnots, domainOf, interiorKnots } from '../../curve/knotVector.js';
import { unlessPole } from '../../curve/unlessPole.js';
import type { Pen } from './pen.js';
import { samplesOf } from './samples.js';

/** The most abrupt jump at a knot: it is the one that its mark shows. */
export type Jump = 'corner' | 'speed' | 'curvature';

const known = new WeakMap<Curve, ReadonlyMap<number, Jump>>();

const noJumps: ReadonlyMap<number, Jump> = new Map();

/**
 * Whether the multiplicities alone say that direction, speed and curvature are continuous: most curves that
 * are dragged are, and need no derivatives to tell.
 */
function isSmooth(curve: Curve): boolean {
  const { knots, degree, periodic } = curve;
  const least = degree - 2;
  const [start] = domainOf(knots, degree);
  const seam = distinctKnots(knots, degree).find(({ value }) => value === start);
  if (periodic && seam && seam.multiplicity > least) return false;
  return interiorKnots(knots, degree).every(({ multiplicity }) => multiplicity <= least);
}

/** For each knot at which something jumps, what; knots without an entry have no visible jump. */
export function jumpsOf(curve: Curve): ReadonlyMap<number, Jump> {
  let jumps = known.get(curve);
  if (!jumps && isSmooth(curve)) return noJumps;
  if (!jumps) {
    let largest = 0;
    for (const value of samplesOf(curve).curvature) largest = Math.max(largest, Math.abs(value));
    // A knot at which the curve runs to infinity has nothing to compare.
    jumps = new Map(
      (unlessPole(() => knotJumps(curve)) ?? []).flatMap(
        ({ knot, direction, magnitude, curvature }): [number, Jump][] => {
          if (direction > 1e-6) return [[knot, 'corner']];
          if (magnitude > 1e-6) return [[knot, 'speed']];
          return curvature > 1e-6 * largest ? [[knot, 'curvature']] : [];
        },
      ),
    );
    known.set(curve, jumps);
  }
  return jumps;
}

/**
 * The mark of a jump at a point, its vertical along (upX, upY): a wedge for a corner, a pair of bars of
 * unequal length for a jump of speed, a half disc for a jump of curvature.
 */
export function drawJump(
  pen: Pen,
  jump: Jump,
  x: number,
  y: number,
  [upX, upY]: readonly [number, number],
): void {
  const at = (along: number, up: number): [number, number] => [
    x + along * -upY + up * upX,
    y + along * upX + up * upY,
  ];
  pen.beginPath();
  if (jump === 'corner') {
    pen.moveTo(...at(0, -3));
    pen.lineTo(...at(4, 4));
    pen.lineTo(...at(-4, 4));
    pen.closePath();
    pen.fill();
  } else if (jump === 'speed') {
    pen.moveTo(...at(-1.75, -2));
    pen.lineTo(...at(-1.75, 2));
    pen.moveTo(...at(1.75, -2));
    pen.lineTo(...at(1.75, 5));
    pen.stroke();
  } else {
    const angle = Math.atan2(upX, -upY);
    pen.arc(x, y, 4, angle, angle + Math.PI);
    pen.closePath();
    pen.fill();
  }
}
