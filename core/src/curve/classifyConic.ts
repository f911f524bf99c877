import { quadraticPiece, standardWeight } from './conic.js';
import { dimensionOf, type Curve, type Point } from './curve.js';
import { addScaled, crossInSpace, dot, scaled, subtract, unit } from './vector.js';

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
 * How far a place in the conic's plane is from it, to first order: the equation's value against its gradient.
 */
export function distanceFromConic({ equation, frame }: ConicClass, place: Point): number {
  const offset = subtract(place, frame.origin);
  const [x, y] = [dot(offset, frame.x), dot(offset, frame.y)];
  const [A, B, C, D, E, F] = equation;
  const value = A * x * x + B * x * y + C * y * y + D * x + E * y + F;
  const slope = Math.hypot(2 * A * x + B * y + D, B * x + 2 * C * y + E);
  return slope > 0 ? Math.abs(value) / slope : Math.abs(value);
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
  // By the median m from p1 to the middle of the chord and half the chord e, the conic is
  // (1 − k²)(a − 1/(1 − k²))² + k² b² = k²/(1 − k²) at p1 + a m + b e: two conjugate half diameters about its centre,
  // which lose no digits however small k is.
  const outside = (1 - k) * (1 + k);
  const [mx, my] = [(p0[0] + p2[0]) / 2 - p1[0], (p0[1] + p2[1]) / 2 - p1[1]];
  const [ex, ey] = [(p2[0] - p0[0]) / 2, (p2[1] - p0[1]) / 2];
  const [alongMedian, alongChord] = [k / Math.abs(outside), 1 / Math.sqrt(Math.abs(outside))];
  const [ux, uy] = [alongMedian * mx, alongMedian * my];
  const [vx, vy] = [alongChord * ex, alongChord * ey];
  // The eigenvalues of u uᵀ ± v vᵀ are the squares of the half axes, that across a hyperbola below zero.
  const sign = Math.sign(outside);
  const [xx, xy, yy] = [ux * ux + sign * vx * vx, ux * uy + sign * vx * vy, uy * uy + sign * vy * vy];
  const apart = Math.hypot(xx - yy, 2 * xy);
  const area2 = (ux * vy - uy * vx) ** 2;
  const sum = xx + yy;
  // Of the two the one that is a sum comes first, and the other by their product.
  const larger = sum >= 0 ? (sum + apart) / 2 : (sum - apart) / 2;
  const smaller = (sign * area2) / larger;
  const [major, minor] = larger >= smaller ? [larger, smaller] : [smaller, larger];
  const turn = apart > tolerance * Math.abs(larger) ? Math.atan2(2 * xy, xx - yy) / 2 : 0;
  const [dx, dy] = [Math.cos(turn), Math.sin(turn)];
  const focal = Math.sqrt(major - minor);
  const [a, b] = [Math.sqrt(Math.abs(major)), Math.sqrt(Math.abs(minor))];
  const round = k < 1 && Math.abs(a - b) <= tolerance * a;
  const centre = back(p1[0] + mx / outside, p1[1] + my / outside);
  const focus = (side: number): number[] =>
    round ? centre : addScaled(centre, direction(dx, dy), side * focal);
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
