import { FormatError } from '@bogen/core/format';
import { told } from '@bogen/core/lesson';

/** Pixels from left to right, and from top to bottom: what browsers have the memory for. */
export const mostPixels = 8000;

/**
 * A drawing as a PNG.
 * @param svg its text, with a size
 * @param across pixels from left to right
 * @param isOnPaper whether what is not drawn on is white, and not transparent
 * @throws FormatError where it would be too high
 */
export async function pictureOf(svg: string, across: number, isOnPaper: boolean): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const ratio = image.naturalHeight / image.naturalWidth;
  const high = Math.max(1, Math.round(across * ratio));
  if (high > mostPixels)
    throw new FormatError(
      told('pictureTooHigh', { high, most: mostPixels, across: Math.floor(mostPixels / ratio) }),
    );
  const canvas = document.createElement('canvas');
  canvas.width = across;
  canvas.height = high;
  const context = canvas.getContext('2d')!;
  if (isOnPaper) {
    context.fillStyle = '#fff';
    context.fillRect(0, 0, canvas.width, canvas.height);
  }
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return await new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.'))),
      'image/png',
    ),
  );
}
