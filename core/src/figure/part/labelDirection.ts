import type { Point } from '../../curve/curve.js';

/**
 * The unit direction from a control point in which its name stands: away from its neighbours, where
 * neither polygon nor curve runs; straight up where the polygon is straight there.
 */
export function labelDirection(points: readonly Point[], index: number): [number, number] {
  const at = points[index]!;
  let [x, y] = [0, 0];
  for (const neighbour of [points[index - 1], points[index + 1]]) {
    if (!neighbour) continue;
    const [dx, dy] = [at[0]! - neighbour[0]!, at[1]! - neighbour[1]!];
    const length = Math.hypot(dx, dy);
    if (length > 0) {
      x += dx / length;
      y += dy / length;
    }
  }
  const size = Math.hypot(x, y);
  return size > 0.05 ? [x / size, y / size] : [0, 1];
}
