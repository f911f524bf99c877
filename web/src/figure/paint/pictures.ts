import type { FigureDocument } from '@bogen/core/figure';
import type { LoadedPicture } from './drawGround.js';
import type { Pane } from '../scene/pane.js';

/** The addresses of pictures that the page itself holds. */
let own: Readonly<Record<string, string>> = {};

/** Lets pictures be shown that the page itself holds. */
export function holdPictures(addresses: Readonly<Record<string, string>>): void {
  own = addresses;
}

/** Where a stored picture is fetched. */
const pictureAddress = (id: string): string => own[id] ?? `/api/pictures/${id}`;

const images = new Map<string, HTMLImageElement>();
const waiting = new Map<string, Set<() => void>>();

let onDevice: ((id: string) => Promise<Blob | undefined>) | undefined;

/** Lets pictures be looked for on this device first, for pages on which some rest there. */
export function findPicturesOnDevice(find: (id: string) => Promise<Blob | undefined>): void {
  onDevice = find;
}

async function sourceOf(id: string): Promise<string> {
  const blob = await onDevice?.(id).catch(() => undefined);
  return blob ? URL.createObjectURL(blob) : pictureAddress(id);
}

/** The pixels of a stored picture, once they have come; then those who wait are told. */
function imageOf(id: string, onCome: () => void): HTMLImageElement | undefined {
  const known = images.get(id);
  if (known) return known.complete && known.naturalWidth > 0 ? known : undefined;
  const listeners = waiting.get(id);
  if (listeners) {
    listeners.add(onCome);
    return undefined;
  }
  const told = new Set([onCome]);
  waiting.set(id, told);
  const image = new Image();
  image.onload = () => {
    images.set(id, image);
    waiting.delete(id);
    told.forEach((tell) => tell());
  };
  // Asked for again when the figure is drawn the next time.
  image.onerror = () => setTimeout(() => waiting.delete(id), 3000);
  if (onDevice) void sourceOf(id).then((source) => (image.src = source));
  else image.src = pictureAddress(id);
  return undefined;
}

/** The pictures that lie behind a pane, in drawing order. */
export function picturesOf(document: FigureDocument, pane: Pane, onCome: () => void): LoadedPicture[] {
  return document.items.flatMap((item) =>
    item.kind === 'picture' && !item.hidden && pane.shows(item.id)
      ? [{ picture: item, image: imageOf(item.picture, onCome) }]
      : [],
  );
}
