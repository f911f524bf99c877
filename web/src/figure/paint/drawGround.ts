import { pictureCorners, pictureHeight, type PictureItem, type View } from '@bogen/core/figure';
import type { Palette } from '../../theme/theme.js';
import type { Projection } from '../geometry/projection.js';

/** Distance of the grid's crosses: the document's, in tens or tenths where those would be too close or too far. */
export function gridStep(grid: number, scale: number): number {
  let step = grid;
  while (step * scale < 8) step *= 10;
  while (step * scale > 120) step /= 10;
  return step;
}

/** A picture with its pixels, as far as they have come. */
export interface LoadedPicture {
  readonly picture: PictureItem;
  readonly image: HTMLImageElement | undefined;
}

/** The sheet's colour, the pictures to draw over, and the crosses of the grid. */
export function drawGround(
  context: CanvasRenderingContext2D,
  { grid }: View,
  projection: Projection,
  palette: Palette,
  pictures: readonly LoadedPicture[],
): void {
  context.fillStyle = palette.sheet;
  context.fillRect(0, 0, projection.width, projection.height);
  for (const { picture, image } of pictures) drawPicture(context, picture, image, projection, palette);
  // Crosses closer than this would blur into grey.
  // Coarser by tens where the figure is zoomed far out.
  const step = gridStep(grid, projection.scale);
  if (step * projection.scale < 6) return;
  const [left, top] = projection.toDrawing(0, 0);
  const [right, bottom] = projection.toDrawing(projection.width, projection.height);
  context.beginPath();
  for (let x = Math.ceil(left / step) * step; x <= right; x += step) {
    const a = projection.screenX(x);
    for (let y = Math.ceil(bottom / step) * step; y <= top; y += step) {
      const b = projection.screenY(y);
      context.moveTo(a - 2, b);
      context.lineTo(a + 2, b);
      context.moveTo(a, b - 2);
      context.lineTo(a, b + 2);
    }
  }
  context.strokeStyle = palette.line;
  context.lineWidth = 1;
  context.stroke();
}

/** A picture in its place; an empty frame while it comes, or where it does not. */
function drawPicture(
  context: CanvasRenderingContext2D,
  picture: PictureItem,
  image: HTMLImageElement | undefined,
  projection: Projection,
  palette: Palette,
): void {
  if (!image) {
    context.beginPath();
    for (const corner of pictureCorners(picture)) context.lineTo(...projection.toScreen(corner));
    context.closePath();
    context.setLineDash([4, 4]);
    context.strokeStyle = palette.strong;
    context.stroke();
    context.setLineDash([]);
    return;
  }
  const [x, y] = projection.toScreen(picture.centre);
  const [width, height] = [picture.width * projection.scale, pictureHeight(picture) * projection.scale];
  context.save();
  context.translate(x, y);
  context.rotate((-picture.angle * Math.PI) / 180);
  context.scale(picture.flipped ? -1 : 1, 1);
  context.globalAlpha = 1 - picture.fade;
  context.drawImage(image, -width / 2, -height / 2, width, height);
  context.restore();
}
