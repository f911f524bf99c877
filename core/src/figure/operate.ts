import { closeCurve, moveSeam, openCurve } from '../curve/close.js';
import { convertCurve } from '../curve/convert.js';
import type { Curve, Point } from '../curve/curve.js';
import { decompose } from '../curve/decompose.js';
import { largestDeviation, type Deviation } from '../curve/deviation.js';
import { elevateDegree } from '../curve/elevateDegree.js';
import { CurveError } from '../curve/error.js';
import { evenOut } from '../curve/evenOut.js';
import { insertKnot } from '../curve/insertKnot.js';
import { interpolate, interpolateClosed } from '../curve/interpolate.js';
import { joinCurves } from '../curve/join.js';
import { clampedUniformKnots } from '../curve/knotVector.js';
import { matchCurve } from '../curve/match.js';
import { halfAtMirror, mirrorCurve, mirrorThrough, symmetricCurve } from '../curve/mirror.js';
import { periodicCurve } from '../curve/periodic.js';
import { reduceDegree } from '../curve/reduceDegree.js';
import { fitCurveToTolerance, refitCurve } from '../curve/refit.js';
import { removeKnot } from '../curve/removeKnot.js';
import { mapDomain, reparametriseMobius, reverseCurve } from '../curve/reparametrise.js';
import { extractPart, splitCurve } from '../curve/split.js';
import { validateCurve } from '../curve/validate.js';
import { addScaled } from '../curve/vector.js';
import { withDegree } from '../curve/withDegree.js';
import type { Operation, SymmetricCurve } from './operation.js';

/** What an operation comes to. */
export interface Operated {
  readonly curve: Curve;
  /** For operations that change the shape: how far the result lies from the source. Absent where it is exact. */
  readonly deviation?: Deviation;
  /** Another number that the operation measures: what is left uneven, how far the farthest point moved. */
  /** What of the source is not in the result: the other side of a curve that is made symmetric. */
  readonly goes?: readonly Curve[];
  readonly measure?: { readonly kind: 'unevenness' | 'largestMove'; readonly value: number };
}

/** A source of an operation: a curve, or a reference point. */
export type Source = { readonly curve: Curve } | { readonly at: Point };

/**
 * The curve that an operation makes of its sources, with its deviation where it is not exact.
 * @param sources in the order of `sourcesOfOperation`
 * @throws CurveError where the operation can't be done on them; its sentence is the reason to show
 */
export function operate(operation: Operation, sources: readonly Source[]): Operated {
  if ('pegs' in operation) {
    const points = sources.map((source) => {
      if ('at' in source) return source.at;
      throw new CurveError('argument', 'A curve on reference points takes points, not curves.');
    });
    return { curve: onPegs(operation, points) };
  }
  const curves = sources.map((source) => {
    if ('curve' in source) return source.curve;
    throw new CurveError('argument', 'This is built from curves and can’t be built from a point.');
  });
  const result = operateOnCurves(operation, curves);
  validateCurve(result.curve);
  return result;
}

type PegOperation = Extract<Operation, { pegs: readonly string[] }>;

function onPegs(operation: PegOperation, points: readonly Point[]): Curve {
  const { degree, closed } = operation;
  if (operation.name === 'curveThroughPegs') {
    return closed
      ? interpolateClosed(points, degree, operation.parametrisation).curve
      : interpolate(points, degree, operation.parametrisation).curve;
  }
  if (closed) return periodicCurve(degree, points);
  return { degree, knots: clampedUniformKnots(points.length, degree), points };
}

function operateOnCurves(
  operation: Exclude<Operation, PegOperation>,
  [source, second]: readonly Curve[],
): Operated {
  const curve = source!;
  switch (operation.name) {
    case 'copy':
      return {
        curve: { ...curve, points: curve.points.map((point) => addScaled(point, operation.offset)) },
      };
    case 'curveOfDegree':
      return { curve: withDegree(curve, operation.degree) };
    case 'throughPoints':
      return { curve: interpolate(curve.points, operation.degree, operation.parametrisation).curve };
    case 'insertKnot':
      return { curve: insertKnot(curve, operation.parameter, operation.times) };
    case 'removeKnot':
      return removeKnot(curve, operation.parameter, operation.times);
    case 'raiseDegree':
      return { curve: elevateDegree(curve, operation.times) };
    case 'lowerDegree':
      return reduceDegree(curve, operation.times);
    case 'part':
      return { curve: extractPart(curve, operation.from, operation.to) };
    case 'piece': {
      const pieces = decompose(curve);
      const piece = pieces[operation.index];
      if (!piece) {
        throw new CurveError(
          'index',
          `There is no piece ${operation.index}; the curve has pieces 0 to ${pieces.length - 1}.`,
          { index: operation.index, value: operation.index },
        );
      }
      return { curve: piece };
    }
    case 'split':
      return { curve: splitCurve(curve, operation.parameter)[operation.side === 'before' ? 0 : 1] };
    case 'join':
      return { curve: joinCurves(curve, second!, operation.tolerance) };
    case 'match': {
      const { continuity, curveEnd, targetEnd } = operation;
      const match = matchCurve(curve, second!, continuity, curveEnd, targetEnd);
      return {
        curve: match.curve,
        deviation: largestDeviation(curve, match.curve),
        measure: { kind: 'largestMove', value: match.largestMove },
      };
    }
    case 'reverse':
      return { curve: reverseCurve(curve) };
    case 'close':
      return { curve: closeCurve(curve, operation.way, operation.continuity) };
    case 'open':
      return { curve: openCurve(curve, operation.parameter) };
    case 'moveStart':
      return { curve: moveSeam(curve, operation.parameter) };
    case 'mapDomain':
      return { curve: mapDomain(curve, operation.start, operation.end) };
    case 'mobius':
      return { curve: reparametriseMobius(curve, operation.factor) };
    case 'evenOut': {
      const evened = evenOut(curve, operation.held, operation.perSpan);
      return {
        curve: evened.curve,
        deviation: evened.deviation,
        measure: { kind: 'unevenness', value: evened.unevenness },
      };
    }
    case 'refit':
      return refitCurve(curve, operation.degree, operation.spans);
    case 'fitToTolerance': {
      const { curve: fitted, deviation } = fitCurveToTolerance(curve, operation.degree, operation.tolerance);
      return { curve: fitted, deviation };
    }
    case 'mirror':
      return { curve: mirrorCurve(curve, mirrorThrough(...operation.axis)) };
    case 'symmetric':
      return symmetric(curve, operation);
    case 'convert':
      return convertCurve(curve, operation.kind);
  }
}

/** A symmetric curve of the side that is kept, with the side that goes. */
function symmetric(curve: Curve, { axis, smooth, keep }: SymmetricCurve): Operated {
  const mirror = mirrorThrough(...axis);
  if (!keep) return { curve: symmetricCurve(curve, mirror, smooth) };
  const { half, goes } = halfAtMirror(curve, mirror, keep);
  const made = symmetricCurve(half, mirror, smooth);
  // It runs as the source does.
  return { curve: keep === 'after' ? reverseCurve(made) : made, ...(goes ? { goes: [goes] } : {}) };
}
