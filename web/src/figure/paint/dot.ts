/** A filled dot. */
export function dot(
  context: CanvasRenderingContext2D,
  [x, y]: readonly [number, number],
  radius: number,
  color: string,
): void {
  context.beginPath();
  context.arc(x, y, radius, 0, 2 * Math.PI);
  context.fillStyle = color;
  context.fill();
}
