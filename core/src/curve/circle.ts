import { told } from '../told/told.js';
import { multiplyBernstein } from './bernstein.js';
import { validatePlaces } from './conic.js';
import type { CircleLayout } from './circleLayouts.js';
import type { Curve, Point } from './curve.js';
import { CurveError } from './error.js';
import { addScaled, cross, crossInSpace, distance, dot, lengthOf, mix, subtract, unit } from './vector.js';

/** Centre, radius and plane of a circle: x and y are perpendicular unit vectors, the angle runs from x to y. */
export interface CirclePlace {
  readonly centre: Point;
  readonly radius: number;
  readonly x: Point;
  readonly y: Point;
}

/**
 * An exact circular arc as one or more rational quadratic pieces (P&T A7.1).
 * @param from,sweep angles in radians; the sweep is not zero and at most one turn, negative for clockwise
 * @param pieceAngle largest angle of a piece, below π; a right angle where not given
 * @throws CurveError `argument`
 */
export function circularArc(
  { centre, radius, x, y }: CirclePlace,
  from: number,
  sweep: number,
  pieceAngle = Math.PI / 2,
): Curve {
  if (!(radius > 0 && Number.isFinite(radius))) {
    throw new CurveError('argument', told('radius', { radius }), {
      value: radius,
    });
  }
  const turn = 2 * Math.PI;
  if (!(Math.abs(sweep) > 0 && Math.abs(sweep) <= turn * (1 + 1e-12) && Number.isFinite(from))) {
    throw new CurveError('argument', told('arcAngle', { angle: sweep }), { value: sweep });
  }
  const count = Math.max(1, Math.ceil(Math.abs(sweep) / pieceAngle - 1e-9));
  const step = sweep / count;
  const at = (angle: number, size: number): number[] => {
    const [c, s] = exactDirection(angle);
    return addScaled(addScaled(centre, x, size * c), y, size * s);
  };
  const points: Point[] = [at(from, radius)];
  const weights = [1];
  const knots = [0, 0, 0];
  const middle = exactDirection(step / 2)[0];
  for (let k = 0; k < count; k++) {
    points.push(at(from + (k + 0.5) * step, radius / middle));
    points.push(k === count - 1 && isTurn(sweep) ? points[0]! : at(from + (k + 1) * step, radius));
    weights.push(middle, 1);
    if (k < count - 1) knots.push((k + 1) / count, (k + 1) / count);
  }
  return { degree: 2, knots: [...knots, 1, 1, 1], points, weights };
}

const isTurn = (sweep: number): boolean => Math.abs(Math.abs(sweep) - 2 * Math.PI) < 1e-12;

/** Cosine and sine, exact at the multiples of a right angle. */
function exactDirection(angle: number): [number, number] {
  const quarters = angle / (Math.PI / 2);
  const whole = Math.round(quarters);
  if (Math.abs(quarters - whole) < 1e-15 * Math.max(1, Math.abs(whole))) {
    return (
      [
        [1, 0],
        [0, 1],
        [-1, 0],
        [0, -1],
      ] as const
    )[((whole % 4) + 4) % 4]!.slice() as [number, number];
  }
  return [Math.cos(angle), Math.sin(angle)];
}

/**
 * The circular arc that starts at the first point, passes the second and ends at the third.
 * @throws CurveError `point` where they are collinear or coincide
 */
export function arcThroughPoints(start: Point, through: Point, end: Point): Curve {
  const { place, from, sweep } = circleOfPoints(start, through, end);
  const arc = circularArc(place, from, sweep);
  return { ...arc, points: [start, ...arc.points.slice(1, -1), end] };
}

/** The circle through three points, with the angle of the first and the sweep over the second to the third. */
function circleOfPoints(
  start: Point,
  through: Point,
  end: Point,
): { place: CirclePlace; from: number; sweep: number } {
  validatePlaces(start, through, end);
  const a = subtract(through, start);
  const b = subtract(end, start);
  const turn = a.length === 2 ? [0, 0, cross(a, b)] : crossInSpace(a, b);
  const squared = dot(turn, turn);
  if (!(Math.sqrt(squared) > 1e-12 * lengthOf(a) * lengthOf(b))) {
    throw new CurveError('point', told('noArcThroughPoints'));
  }
  const x = unit(a)!;
  const across = addScaled(b, x, -dot(b, x));
  const y = unit(across)!;
  // In the frame of x and y: the first at 0, the second at (d, 0), the third at (p, q).
  const [d, p, q] = [lengthOf(a), dot(b, x), dot(b, y)];
  const height = (p * p + q * q - d * p) / (2 * q);
  const centre = addScaled(addScaled(start, x, d / 2), y, height);
  const radius = Math.hypot(d / 2, height);
  const angleOf = (along: number, up: number): number => Math.atan2(up - height, along - d / 2);
  const from = angleOf(0, 0);
  const positive = (angle: number): number => (angle <= 0 ? angle + 2 * Math.PI : angle);
  const overSecond = positive(angleOf(d, 0) - from);
  const toThird = positive(angleOf(p, q) - from);
  return {
    place: { centre, radius, x, y },
    from,
    sweep: overSecond < toThird ? toThird : toThird - 2 * Math.PI,
  };
}

/**
 * The circular arc of given ends and bulge, in the plane.
 * @param bulge the tangent of a quarter of the arc's angle: its height against half its chord. Positive
 * runs counterclockwise, ±1 is a half circle
 * @throws CurveError `argument`, `point` where the ends coincide
 */
export function arcFromBulge(start: Point, end: Point, bulge: number): Curve {
  validatePlaces(start, end);
  if (!(Number.isFinite(bulge) && bulge !== 0)) {
    throw new CurveError('argument', told('bulge', { bulge }), {
      value: bulge,
    });
  }
  const chord = subtract(end, start);
  if (!(lengthOf(chord) > 0) || chord.length !== 2) {
    throw new CurveError('point', told('bulgeEnds'));
  }
  const middle = mix(start, end, 0.5);
  // An arc that runs counterclockwise lies to the right of its chord.
  return arcThroughPoints(
    start,
    [middle[0]! + (bulge * chord[1]!) / 2, middle[1]! - (bulge * chord[0]!) / 2],
    end,
  );
}

/**
 * The circular arc of given ends and radius, in the plane.
 * @param side whether it lies to the left or the right of the way from start to end
 * @param large whether the longer of the two arcs is meant
 * @throws CurveError `argument` where the radius is below half the distance of the ends
 */
export function arcFromEnds(
  start: Point,
  end: Point,
  radius: number,
  side: 'left' | 'right' = 'left',
  large = false,
): Curve {
  validatePlaces(start, end);
  const half = distance(start, end) / 2;
  if (!(radius >= half * (1 - 1e-12) && Number.isFinite(radius))) {
    // Rounded up to six digits, so that what is read here can be typed.
    const unit = 10 ** (Math.floor(Math.log10(half || 1)) - 5);
    const least = Number((Math.ceil(half / unit) * unit).toPrecision(6));
    throw new CurveError('argument', told('arcRadiusTooSmall', { radius, least }), { value: radius });
  }
  const rest = Math.sqrt(Math.max(0, radius * radius - half * half));
  const height = large ? radius + rest : half * (half / (radius + rest));
  return arcFromBulge(start, end, ((side === 'right' ? 1 : -1) * height) / half);
}

/**
 * An exact full circle in one of the usual layouts (P&T 7.5): four quarters or three thirds of degree 2,
 * two halves of degree 3, or one piece of degree 5.
 * @throws CurveError `argument`
 */
export function exactCircle(place: CirclePlace, layout: CircleLayout): Curve {
  const { centre, radius, x, y } = place;
  if (layout === 'quadratic9') return circularArc(place, 0, 2 * Math.PI);
  if (layout === 'quadratic7') return circularArc(place, 0, 2 * Math.PI, (2 * Math.PI) / 3);
  if (!(radius > 0 && Number.isFinite(radius))) {
    throw new CurveError('argument', told('radius', { radius }), {
      value: radius,
    });
  }
  // A point of the circle is f(t)² / |f(t)|² for a complex polynomial f whose argument makes half the turn.
  const unitPieces =
    layout === 'cubic7'
      ? [squaredArc([1, 0], [0, 1]), squaredArc([0, 1], [-1, 0])]
      : [squaredArc([1, 0, -1], [0, 1, 0])];
  // The second half starts with the weight of the first's end, so that they share that point.
  const rows = unitPieces.map(elevateHomogeneous).flatMap((piece, index) => piece.slice(index === 0 ? 0 : 1));
  const degree = layout === 'cubic7' ? 3 : 5;
  const inner = layout === 'cubic7' ? Array<number>(degree).fill(0.5) : [];
  const placed = (row: readonly number[]): number[] =>
    addScaled(addScaled(centre, x, (radius * row[0]!) / row[2]!), y, (radius * row[1]!) / row[2]!);
  return {
    degree,
    knots: [...Array<number>(degree + 1).fill(0), ...inner, ...Array<number>(degree + 1).fill(1)],
    points: rows.map(placed),
    weights: rows.map((row) => row[2]!),
  };
}

/** Numerators and denominator of f² / |f|², from the Bernstein coefficients of f's real and imaginary part. */
function squaredArc(real: readonly number[], imaginary: readonly number[]): number[][] {
  const rr = multiplyBernstein(real, real);
  const ii = multiplyBernstein(imaginary, imaginary);
  const ri = multiplyBernstein(real, imaginary);
  return rr.map((value, k) => [value - ii[k]!, 2 * ri[k]!, value + ii[k]!]);
}

/** Bernstein coefficients of one degree more, by which weights of zero become positive. */
function elevateHomogeneous(rows: readonly (readonly number[])[]): number[][] {
  const order = rows.length;
  return Array.from({ length: order + 1 }, (_, k) => {
    const before = rows[Math.max(0, k - 1)]!;
    const after = rows[Math.min(order - 1, k)]!;
    return before.map((value, axis) => (k / order) * value + (1 - k / order) * after[axis]!);
  });
}

/**
 * An exact ellipse: the image of a circle under the map that takes its two perpendicular radii to two
 * half axes (or any two conjugate radii).
 * @param axisX,axisY from the centre to the ends of the half axes
 * @throws CurveError `argument` where the half axes are parallel or zero
 */
export function exactEllipse(centre: Point, axisX: Point, axisY: Point, layout: CircleLayout): Curve {
  validateHalfAxes(centre, axisX, axisY);
  const circle = exactCircle({ centre: [0, 0], radius: 1, x: [1, 0], y: [0, 1] }, layout);
  return {
    ...circle,
    points: circle.points.map(([x, y]) => addScaled(addScaled(centre, axisX, x!), axisY, y!)),
  };
}

/** @throws CurveError `argument` where two half axes are parallel or zero, `point` */
function validateHalfAxes(centre: Point, axisX: Point, axisY: Point): void {
  validatePlaces(centre, axisX, axisY);
  const turn = centre.length === 2 ? Math.abs(cross(axisX, axisY)) : lengthOf(crossInSpace(axisX, axisY));
  if (!(turn > 1e-14 * lengthOf(axisX) * lengthOf(axisY))) {
    throw new CurveError('argument', told('halfAxes'));
  }
}
