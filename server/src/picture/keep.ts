import { toldByServer } from '@bogen/contract';
import { createHash } from 'node:crypto';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import type { Runner } from '../pool/pool.js';
import { rasterise } from './rasterise.js';

/** How many bytes of pictures one instructor can keep. */
const room = 400_000_000;

export interface KeptPicture {
  readonly id: string;
  readonly mediaType: 'image/png' | 'image/jpeg' | 'image/svg+xml';
  readonly width: number;
  readonly height: number;
}

/** When an SVG is drawn into pixels for readers: as it is kept, so that one that can't be is refused, or when somebody asks first. */
export type Drawn = 'now' | 'later';

/**
 * Keeps a picture of an instructor, checked and cleaned in a thread of its own; one that is kept already is not kept twice.
 * @throws HttpProblem where it is none, is too large, or there is no room
 */
export async function keepPicture(
  db: Db,
  pool: Runner,
  owner: string,
  sent: Buffer,
  drawn: Drawn = 'now',
): Promise<KeptPicture> {
  if (sent.length > 8_000_000) {
    throw new HttpProblem('too-large', toldByServer('pictureTooLarge'));
  }
  const checked = await pool.run('picture', sent);
  const { mediaType, width, height } = checked;
  const bytes = Buffer.from(checked.bytes);
  if (bytes.length > 10_000_000) {
    throw new HttpProblem('too-large', toldByServer('pictureTooDetailed'));
  }
  const digest = createHash('sha256').update(bytes).digest();
  const known = await db
    .selectFrom('picture')
    .select('id')
    .where('instructor_id', '=', owner)
    .where('digest', '=', digest)
    .executeTakeFirst();
  if (known) return { id: known.id, mediaType, width, height };
  const kept = await db
    .selectFrom('picture')
    .select(({ fn }) => fn.sum<string | null>(fn<number>('octet_length', ['bytes'])).as('bytes'))
    .where('instructor_id', '=', owner)
    .executeTakeFirstOrThrow();
  if (Number(kept.bytes ?? 0) + bytes.length > room) {
    throw new HttpProblem('refused', toldByServer('noRoomForPictures'));
  }
  const pixels =
    mediaType === 'image/svg+xml' && drawn === 'now' ? await rasterise(bytes, width, height) : null;
  const { id } = await db
    .insertInto('picture')
    .values({ instructor_id: owner, media_type: mediaType, width, height, bytes, digest, pixels })
    // Sent twice at the same moment it is kept once.
    .onConflict((conflict) => conflict.columns(['instructor_id', 'digest']).doUpdateSet({ width }))
    .returning('id')
    .executeTakeFirstOrThrow();
  return { id, mediaType, width, height };
}
