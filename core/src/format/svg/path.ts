import { classifyConic } from '../../curve/classifyConic.js';
import { isRational, type Curve, type Point } from '../../curve/curve.js';
import { decompose } from '../../curve/decompose.js';
import { fitCurveToTolerance } from '../../curve/fitCurve.js';

/** A curve as the data of an SVG path, with how far from the curve it lies at most: 0 where it is exact. */
export interface PathData {
  readonly data: string;
  readonly deviation: number;
}

/**
 * A curve of the plane as a path, the second axis turned down: exact where it is polynomial of degree 1 to 3 or made of arcs of
 * circles and ellipses, else the fewest cubics that were found within a tolerance.
 */
export function pathOf(curve: Curve, tolerance: number): PathData {
  const pieces = decompose(curve);
  const exact = pieces.map(commandOf);
  if (exact.every((command) => command !== undefined)) return { data: joined(pieces, exact), deviation: 0 };
  const { curve: fitted, deviation } = fitCurveToTolerance(curve, 3, tolerance);
  const cubics = decompose(fitted);
  return {
    data: joined(
      cubics,
      cubics.map((piece) => commandOf(piece)!),
    ),
    deviation: deviation.distance,
  };
}

/** The commands of pieces, with a new beginning wherever one does not go on from the one before. */
function joined(pieces: readonly Curve[], commands: readonly string[]): string {
  let last: Point | undefined;
  const data = pieces.map(({ points }, k) => {
    const [start, end] = [points[0]!, points.at(-1)!];
    const goesOn = last !== undefined && start.every((coordinate, axis) => coordinate === last![axis]);
    last = end;
    return goesOn ? commands[k]! : `M${place(start)}${commands[k]!}`;
  });
  const [first] = pieces[0]!.points;
  const isClosed = last !== undefined && first!.every((coordinate, axis) => coordinate === last![axis]);
  return `${data.join('')}${isClosed && data.slice(1).every((command) => !command.startsWith('M')) ? 'Z' : ''}`;
}

/** The command that draws one piece from where the one before ended; nothing where SVG has none. */
function commandOf(piece: Curve): string | undefined {
  const { degree, points } = piece;
  if (!isRational(piece)) {
    const rest = points.slice(1).map(place).join(' ');
    if (degree === 1) return `L${rest}`;
    if (degree === 2) return `Q${rest}`;
    if (degree === 3) return `C${rest}`;
    return undefined;
  }
  if (degree === 1) return `L${place(points[1]!)}`;
  if (degree !== 2 || piece.weights!.some((weight) => weight <= 0)) return undefined;
  return arcOf(piece);
}

/** An arc of a circle or ellipse: below half a turn, since all weights of its piece are positive. */
function arcOf(piece: Curve): string | undefined {
  const { kind, axes } = classifyConic(piece);
  if ((kind !== 'circle' && kind !== 'ellipse') || !axes) return undefined;
  const [first, second] = axes;
  if (first?.half === undefined || second?.half === undefined) return undefined;
  const [a, b, c] = piece.points as [Point, Point, Point];
  const turn = (b[0]! - a[0]!) * (c[1]! - a[1]!) - (b[1]! - a[1]!) * (c[0]! - a[0]!);
  // The second axis points down on a page: the angle changes its sign, and so does the direction of the turn.
  const angle = (-Math.atan2(first.direction[1]!, first.direction[0]!) * 180) / Math.PI;
  return `A${number(first.half)} ${number(second.half)} ${number(angle)} 0 ${turn > 0 ? 0 : 1} ${place(c)}`;
}

export const number = (value: number): string => String(Object.is(value, -0) ? 0 : value);
export const place = ([x, y]: Point): string => `${number(x!)} ${number(y === 0 ? 0 : -y!)}`;
