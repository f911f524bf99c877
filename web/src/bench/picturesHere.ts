import type { FigureDocument } from '@bogen/core/figure';
import { sendPicture } from '../editing/picture/addPicture.js';
import { findPicturesOnDevice } from '../figure/paint/pictures.js';
import type { KeptPicture } from '../figure/scene/host.js';
import { newId } from '../saving/newId.js';
import { benchRooms } from './browser.js';

/** A picture is kept no larger than this across, which is plenty to draw over. */
const mostPixels = 2000;
/** As many pictures as a device keeps. */
const mostPictures = 100;

const pictureHere = async (id: string): Promise<Blob | undefined> =>
  (await (await benchRooms()).get('pictures', id))?.blob;

findPicturesOnDevice(pictureHere);

/**
 * Keeps a picture on this device, redrawn as plain pixels.
 * @throws Error where it can't be read, or there is no room for it
 */
export async function keepPictureHere(file: File): Promise<KeptPicture> {
  const rooms = await benchRooms();
  if ((await rooms.count('pictures')) >= mostPictures) throw new Error('There are too many pictures.');
  const { blob, width, height } = await pixelsOf(file);
  const id = newId();
  await rooms.put('pictures', { id, blob });
  return { id, width, height };
}

async function pixelsOf(file: File): Promise<{ blob: Blob; width: number; height: number }> {
  const address = URL.createObjectURL(file);
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    // A drawing without a size of its own is as large as one likes.
    const [own, tall] = [image.naturalWidth || mostPixels, image.naturalHeight || mostPixels];
    const scale = Math.min(1, mostPixels / Math.max(own, tall));
    const [width, height] = [Math.max(1, Math.round(own * scale)), Math.max(1, Math.round(tall * scale))];
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [width, height];
    canvas.getContext('2d')!.drawImage(image, 0, 0, width, height);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
    if (!blob) throw new Error('The picture can’t be written.');
    return { blob, width, height };
  } finally {
    URL.revokeObjectURL(address);
  }
}

/** A figure whose pictures rest on this device, with pictures that the server keeps. */
export async function withSentPictures(figure: FigureDocument): Promise<FigureDocument> {
  const items = [];
  for (const item of figure.items) {
    const blob = item.kind === 'picture' ? await pictureHere(item.picture) : undefined;
    items.push(blob ? { ...item, picture: (await sendPicture(blob, () => undefined)).id } : item);
  }
  return { ...figure, items } as FigureDocument;
}
