import { multiplyBernstein } from './bernstein.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { CurveError } from './error.js';
import {
  addScaled,
  cross,
  crossInSpace,
  distance,
  dot,
  lengthOf,
  mix,
  scaled,
  subtract,
  unit,
} from './vector.js';

/** The circular layouts: how an exact full circle is written as one NURBS curve. */
export type CircleLayout = 'quadratic9' | 'quadratic7' | 'cubic7' | 'quintic6';

export const circleLayouts: readonly CircleLayout[] = ['quadratic9', 'quadratic7', 'cubic7', 'quintic6'];

function validateRho(rho: number): void {
  if (!(rho > 0 && rho < 1)) {
    throw new CurveError('argument', `Rho is ${rho}; it must lie between 0 and 1.`, { value: rho });
  }
}

function validatePlaces(...places: readonly Point[]): void {
  const dimension = places[0]!.length;
  places.forEach((place, index) => {
    if (place.length !== dimension || dimension < 2 || dimension > 3 || !place.every(Number.isFinite)) {
      throw new CurveError('point', `Place ${index} must be 2 finite coordinates, or all of them 3.`, {
        index,
        value: place,
      });
    }
  });
}

/**
 * A conic from its two ends, the intersection of their tangents, and rho: a rational quadratic Bézier
 * curve with the weights 1, ρ / (1 − ρ), 1 (P&T 7.3; F 13). Below one half it is an ellipse, at one half a
 * parabola, above a hyperbola.
 * @param rho between 0 and 1: where the shoulder lies on the way from the middle of the chord to the
 * tangent intersection
 * @throws CurveError `argument`, `point`
 */
export function conicFromTangents(start: Point, intersection: Point, end: Point, rho: number): Curve {
  validateRho(rho);
  validatePlaces(start, intersection, end);
  return {
    degree: 2,
    knots: [0, 0, 0, 1, 1, 1],
    points: [start, intersection, end],
    weights: [1, rho / (1 - rho), 1],
  };
}

/**
 * A conic from its two ends, its shoulder point and rho; the tangent intersection follows from them
 * (P&T 7.3).
 * @throws CurveError `argument`, `point`
 */
export function conicFromShoulder(start: Point, shoulder: Point, end: Point, rho: number): Curve {
  validateRho(rho);
  validatePlaces(start, shoulder, end);
  const middle = mix(start, end, 0.5);
  return conicFromTangents(start, addScaled(middle, subtract(shoulder, middle), 1 / rho), end, rho);
}

/** The three weights of a quadratic piece, 1 where it has none. */
function quadraticPiece(curve: Curve): {
  points: readonly [Point, Point, Point];
  weights: [number, number, number];
} {
  if (curve.degree !== 2 || curve.points.length !== 3) {
    throw new CurveError(
      'degree',
      `A conic is one piece of degree 2 with 3 control points; this has degree ${curve.degree} and ${curve.points.length}.`,
      { value: curve.degree },
    );
  }
  const [a, b, c] = curve.points as [Point, Point, Point];
  const [wa, wb, wc] = curve.weights ?? [1, 1, 1];
  return { points: [a, b, c], weights: [wa!, wb!, wc!] };
}

/** The weight of the middle point when both ends have the weight 1, which a Möbius reparametrisation reaches. */
function standardWeight([a, b, c]: readonly [number, number, number]): number {
  return b / Math.sqrt(a * c);
}

/**
 * Rho of a rational quadratic piece: k / (1 + k), where k is its middle weight in standard form.
 * @throws CurveError `degree` where the curve is not one quadratic piece
 */
export function rhoOf(curve: Curve): number {
  const weight = standardWeight(quadraticPiece(curve).weights);
  return weight / (1 + weight);
}

/**
 * The shoulder point of a rational quadratic piece: the place where its tangent is parallel to the chord.
 * @throws CurveError `degree`
 */
export function shoulderOf(curve: Curve): Point {
  const { points } = quadraticPiece(curve);
  return mix(mix(points[0], points[2], 0.5), points[1], rhoOf(curve));
}

/**
 * Another rho for a conic piece while its shoulder stays, so that its tangents turn, or while the tangent
 * intersection stays, so that the shoulder moves.
 * @throws CurveError `degree`, `argument`
 */
export function changeRho(curve: Curve, rho: number, held: 'shoulder' | 'tangentIntersection'): Curve {
  const { points } = quadraticPiece(curve);
  return held === 'shoulder'
    ? conicFromShoulder(points[0], shoulderOf(curve), points[2], rho)
    : conicFromTangents(points[0], points[1], points[2], rho);
}

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
    throw new CurveError('argument', `The radius is ${radius}; it must be finite and above zero.`, {
      value: radius,
    });
  }
  const turn = 2 * Math.PI;
  if (!(Math.abs(sweep) > 0 && Math.abs(sweep) <= turn * (1 + 1e-12) && Number.isFinite(from))) {
    throw new CurveError(
      'argument',
      `The arc's angle is ${sweep}; it must be above zero and at most one turn.`,
      { value: sweep },
    );
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
 * @throws CurveError `point` where they lie on one line or on top of each other
 */
export function arcThroughPoints(start: Point, through: Point, end: Point): Curve {
  const { place, from, sweep } = circleOfPoints(start, through, end);
  const arc = circularArc(place, from, sweep);
  return { ...arc, points: [start, ...arc.points.slice(1, -1), end] };
}

/** The circle through three places, with the angle of the first and the way over the second to the third. */
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
    throw new CurveError(
      'point',
      'The three points lie on one line, or two of them on one place; no arc passes them.',
    );
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
 * @throws CurveError `argument`, `point` where the ends lie on one place
 */
export function arcFromBulge(start: Point, end: Point, bulge: number): Curve {
  validatePlaces(start, end);
  if (!(Number.isFinite(bulge) && bulge !== 0)) {
    throw new CurveError('argument', `The bulge is ${bulge}; it must be finite and not zero.`, {
      value: bulge,
    });
  }
  const chord = subtract(end, start);
  if (!(lengthOf(chord) > 0) || chord.length !== 2) {
    throw new CurveError('point', 'An arc by its bulge needs two ends in the plane that are apart.');
  }
  const middle = mix(start, end, 0.5);
  // Counterclockwise from start to end, the arc lies to the right of its chord.
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
    throw new CurveError(
      'argument',
      `The radius is ${radius}; it must be at least ${half}, half the distance of the ends.`,
      { value: radius },
    );
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
    throw new CurveError('argument', `The radius is ${radius}; it must be finite and above zero.`, {
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
  validatePlaces(centre, axisX, axisY);
  const turn = centre.length === 2 ? Math.abs(cross(axisX, axisY)) : lengthOf(crossInSpace(axisX, axisY));
  if (!(turn > 1e-14 * lengthOf(axisX) * lengthOf(axisY))) {
    throw new CurveError('argument', 'The half axes are parallel or zero; they span no ellipse.');
  }
  const circle = exactCircle({ centre: [0, 0], radius: 1, x: [1, 0], y: [0, 1] }, layout);
  return {
    ...circle,
    points: circle.points.map(([x, y]) => addScaled(addScaled(centre, axisX, x!), axisY, y!)),
  };
}

/** A conic section in its own plane, as it is drawn by a rational quadratic piece. */
export interface ConicClass {
  readonly kind: 'line' | 'circle' | 'ellipse' | 'parabola' | 'hyperbola';
  /**
   * A, B, C, D, E, F of A x² + B xy + C y² + D x + E y + F = 0, the largest of the first three 1 in size,
   * by the coordinates of `frame`; for a line A to C are 0.
   */
  readonly equation: readonly [number, number, number, number, number, number];
  /** The plane in which the equation holds: in the plane the plane itself. */
  readonly frame: { readonly origin: Point; readonly x: Point; readonly y: Point };
  /** Centre; absent for a parabola and a line. */
  readonly centre?: Point;
  /** Directions of the principal axes (for a parabola its axis first) and half lengths where there are any. */
  readonly axes?: readonly { readonly direction: Point; readonly half?: number }[];
  /** Two foci, one for a parabola, none for a line; both of a circle are its centre. */
  readonly foci: readonly Point[];
  /** For a parabola its vertex. */
  readonly vertex?: Point;
  readonly eccentricity?: number;
}

/**
 * Says which conic a rational quadratic piece lies on, with its equation, centre, axes and foci (P&T 7.2;
 * Lee 1987): with k = w₁ / √(w₀w₂) and the barycentric coordinates τ of its control triangle the conic is
 * τ₁² = 4 k² τ₀ τ₂; it is an ellipse below k = 1, a parabola at 1, a hyperbola above.
 * @param tolerance relative tolerance for a parabola (k = 1), a circle, and a line
 * @throws CurveError `degree` where the curve is not one quadratic piece
 */
export function classifyConic(curve: Curve, tolerance = 1e-9): ConicClass {
  const { points, weights } = quadraticPiece(curve);
  const frame = frameOf(curve, points);
  const [p0, p1, p2] = points.map((point) => {
    const offset = subtract(point, frame.origin);
    return [dot(offset, frame.x), dot(offset, frame.y)] as const;
  }) as [readonly [number, number], readonly [number, number], readonly [number, number]];
  const area = (p1[0] - p0[0]) * (p2[1] - p0[1]) - (p1[1] - p0[1]) * (p2[0] - p0[0]);
  const back = (x: number, y: number): number[] => addScaled(addScaled(frame.origin, frame.x, x), frame.y, y);
  const direction = (x: number, y: number): number[] => addScaled(scaled(frame.x, x), frame.y, y);
  const longest = Math.max(
    Math.hypot(p1[0] - p0[0], p1[1] - p0[1]),
    Math.hypot(p2[0] - p0[0], p2[1] - p0[1]),
    Math.hypot(p2[0] - p1[0], p2[1] - p1[1]),
  );
  if (!(Math.abs(area) > tolerance * longest * longest)) {
    const far = Math.hypot(p2[0] - p0[0], p2[1] - p0[1]) > 0 ? p2 : p1;
    const [a, b] = [p0[1] - far[1], far[0] - p0[0]];
    const size = Math.hypot(a, b) || 1;
    return {
      kind: 'line',
      equation: [0, 0, 0, a / size, b / size, -(a * p0[0] + b * p0[1]) / size],
      frame,
      axes: [{ direction: direction(b / size, -a / size) }],
      foci: [],
    };
  }
  const k = standardWeight(weights);
  // τ as linear functions (constant, x, y) about p1, where they are best conditioned.
  const linear = (q: readonly [number, number], r: readonly [number, number]): [number, number, number] => [
    ((q[0] - p1[0]) * (r[1] - p1[1]) - (q[1] - p1[1]) * (r[0] - p1[0])) / area,
    (q[1] - r[1]) / area,
    (r[0] - q[0]) / area,
  ];
  const [t0, t1, t2] = [linear(p1, p2), linear(p2, p0), linear(p0, p1)];
  const square = 4 * k * k;
  let A = t1[1] * t1[1] - square * t0[1] * t2[1];
  let B = 2 * t1[1] * t1[2] - square * (t0[1] * t2[2] + t0[2] * t2[1]);
  let C = t1[2] * t1[2] - square * t0[2] * t2[2];
  let D = 2 * t1[0] * t1[1] - square * (t0[0] * t2[1] + t0[1] * t2[0]);
  let E = 2 * t1[0] * t1[2] - square * (t0[0] * t2[2] + t0[2] * t2[0]);
  let F = t1[0] * t1[0] - square * t0[0] * t2[0];
  const scale = [A, B, C].reduce((best, value) => (Math.abs(value) > Math.abs(best) ? value : best));
  [A, B, C, D, E, F] = [A / scale, B / scale, C / scale, D / scale, E / scale, F / scale];
  const shifted = (x: number, y: number): ConicClass['equation'] => [
    A,
    B,
    C,
    D - 2 * A * x - B * y,
    E - 2 * C * y - B * x,
    F + A * x * x + B * x * y + C * y * y - D * x - E * y,
  ];
  const equation = shifted(p1[0], p1[1]);
  // Principal directions: the eigenvectors of [[A, B/2], [B/2, C]].
  const angle = Math.hypot(B, A - C) < tolerance ? 0 : Math.atan2(B, A - C) / 2;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const along = A * c * c + B * c * s + C * s * s;
  const acrossAxis = A * s * s - B * c * s + C * c * c;
  if (Math.abs(k - 1) <= tolerance) {
    // One eigenvalue is zero: its direction is the axis.
    const [ux, uy, other] = Math.abs(along) < Math.abs(acrossAxis) ? [c, s, acrossAxis] : [-s, c, along];
    const [vx, vy] = [-uy, ux];
    const [Du, Dv] = [D * ux + E * uy, D * vx + E * vy];
    // other · v² + Du u + Dv v + F = 0.
    const v = -Dv / (2 * other);
    const u = -(F - (Dv * Dv) / (4 * other)) / Du;
    const focal = -Du / (4 * other);
    const place = (du: number): number[] =>
      back(p1[0] + (u + du) * ux + v * vx, p1[1] + (u + du) * uy + v * vy);
    const sign = Math.sign(focal) || 1;
    return {
      kind: 'parabola',
      equation,
      frame,
      vertex: place(0),
      foci: [place(focal)],
      axes: [{ direction: direction(sign * ux, sign * uy) }, { direction: direction(vx, vy) }],
      eccentricity: 1,
    };
  }
  const determinant = A * C - (B * B) / 4;
  const cx = ((B / 2) * (E / 2) - (C * D) / 2) / determinant;
  const cy = ((B / 2) * (D / 2) - (A * E) / 2) / determinant;
  const rest = F + (D * cx + E * cy) / 2;
  const halves = [-rest / along, -rest / acrossAxis] as const;
  const directions = [
    [c, s],
    [-s, c],
  ] as const;
  const first = k < 1 ? (halves[0] >= halves[1] ? 0 : 1) : halves[0] > 0 ? 0 : 1;
  const [major, minor] = [halves[first]!, halves[1 - first]!];
  const focal = Math.sqrt(Math.max(0, major - minor));
  const [dx, dy] = directions[first]!;
  const [a, b] = [Math.sqrt(Math.abs(major)), Math.sqrt(Math.abs(minor))];
  const round = k < 1 && Math.abs(a - b) <= tolerance * a;
  const centre = back(p1[0] + cx, p1[1] + cy);
  const focus = (sign: number): number[] =>
    round ? centre : back(p1[0] + cx + sign * focal * dx, p1[1] + cy + sign * focal * dy);
  return {
    kind: round ? 'circle' : k < 1 ? 'ellipse' : 'hyperbola',
    equation,
    frame,
    centre,
    axes: [
      { direction: direction(dx, dy), half: a },
      { direction: direction(-dy, dx), half: b },
    ],
    foci: [focus(1), focus(-1)],
    eccentricity: round ? 0 : focal / a,
  };
}

/** The plane itself, or the plane of three points in space with x along the first chord that has a length. */
function frameOf(curve: Curve, [p0, p1, p2]: readonly [Point, Point, Point]): ConicClass['frame'] {
  if (dimensionOf(curve) === 2) return { origin: [0, 0], x: [1, 0], y: [0, 1] };
  const x = unit(subtract(p2, p0)) ?? unit(subtract(p1, p0)) ?? [1, 0, 0];
  const offset = subtract(p1, p0);
  const across = addScaled(offset, x, -dot(offset, x));
  const y = unit(across) ?? unit(crossInSpace(x, Math.abs(x[0]!) < 0.9 ? [1, 0, 0] : [0, 1, 0]))!;
  return { origin: p0, x, y };
}
