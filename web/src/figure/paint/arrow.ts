type Context = CanvasRenderingContext2D;
export type Pixel = readonly [number, number];

/** A line with a small head at its end. */
export function arrow(context: Context, [x, y]: Pixel, [endX, endY]: Pixel): void {
  const length = Math.hypot(endX - x, endY - y);
  if (length < 1) return;
  const [dx, dy] = [(endX - x) / length, (endY - y) / length];
  const head = Math.min(8, length / 2);
  context.moveTo(x, y);
  context.lineTo(endX, endY);
  context.moveTo(endX - head * dx - (head / 2) * dy, endY - head * dy + (head / 2) * dx);
  context.lineTo(endX, endY);
  context.lineTo(endX - head * dx + (head / 2) * dy, endY - head * dy - (head / 2) * dx);
}
