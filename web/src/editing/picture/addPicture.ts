import type { PictureItem } from '@bogen/core/figure';
import { call } from '../../api/call.js';
import type { KeptPicture } from '../../figure/scene/host.js';
import { freshId } from '../../figure/scene/freshId.js';
import type { FigureScene } from '../../figure/scene/scene.js';

/** What the server takes at most. */
const mostBytes = 8_000_000;

/** A file is larger than what is accepted; it was not sent. */
export class FileTooLarge extends Error {
  override readonly name = 'FileTooLarge';
}

/**
 * Sends a picture to the server, or keeps it where the figure is kept, and puts it behind the drawing, as large as what is shown, faded so that
 * lines on it can be seen.
 * @param onSent told the share of it that is sent, 0 to 1
 * @throws FileTooLarge, ApiProblem where the server refuses it, NotConnected
 */
export async function addPicture(
  scene: FigureScene,
  file: File,
  name: string,
  onSent: (share: number) => void,
): Promise<string> {
  if (file.size > mostBytes) throw new FileTooLarge();
  const { id: picture, width, height } = await (scene.host.keepPicture?.(file) ?? sendPicture(file, onSent));
  const { document, view } = scene;
  const [across, up] = [view.right - view.left, view.top - view.bottom];
  const id = freshId(document);
  const item: PictureItem = {
    id,
    name,
    kind: 'picture',
    picture,
    size: [width, height],
    centre: [(view.left + view.right) / 2, (view.bottom + view.top) / 2],
    width: 0.9 * Math.min(across, (up * width) / height),
    angle: 0,
    flipped: false,
    fade: 0.5,
  };
  scene.host.do({ name: 'addItem', item, at: 0 });
  return id;
}

/** Sends a picture to the server. @throws ApiProblem where it is refused, NotConnected */
export async function sendPicture(file: Blob, onSent: (share: number) => void): Promise<KeptPicture> {
  return call('addPicture', { body: { data: await base64Of(file) }, onSent });
}

function base64Of(file: Blob): Promise<string> {
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve((reader.result as string).split(',', 2)[1] ?? '');
    reader.onerror = () => reject(reader.error ?? new Error('The file can’t be read.'));
    reader.readAsDataURL(file);
  });
}
