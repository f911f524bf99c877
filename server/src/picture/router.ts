import { toldByServer } from '@bogen/contract';
import { createHash } from 'node:crypto';
import { Router } from 'express';
import { z } from 'zod';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { readSession } from '../http/session.js';
import type { Pool } from '../pool/pool.js';

/** How many bytes of pictures one instructor can keep. */
const room = 400_000_000;

/** Pictures to draw over. */
export function pictureRouter(db: Db, pool: Pool): Router {
  const router = Router();

  route(router, db, 'addPicture', async ({ body, session }) => {
    const sent = Buffer.from(body.data, 'base64');
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
    const owner = session.instructor.id;
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
    const { id } = await db
      .insertInto('picture')
      .values({ instructor_id: owner, media_type: mediaType, width, height, bytes, digest })
      // Sent twice at the same moment it is kept once.
      .onConflict((conflict) => conflict.columns(['instructor_id', 'digest']).doUpdateSet({ width }))
      .returning('id')
      .executeTakeFirstOrThrow();
    return { id, mediaType, width, height };
  });

  // Pixels and not JSON: the one answer that stands outside the contract's schemas. Whoever is signed in
  // and knows the id may see it, since figures are copied between lessons and shown to classes.
  router.get('/pictures/:picture', async (request, response) => {
    const id = z.uuid().safeParse(request.params['picture']);
    const session = await readSession(db, request);
    if (session.who === 'nobody') {
      throw new HttpProblem('not-signed-in', toldByServer('notSignedIn'));
    }
    const picture = id.success
      ? await db
          .selectFrom('picture')
          .select(['media_type', 'bytes'])
          .where('id', '=', id.data)
          .executeTakeFirst()
      : undefined;
    if (!picture) throw new HttpProblem('not-found', toldByServer('pictureNotThere'));
    response
      .set({
        'Content-Type': picture.media_type,
        'Cache-Control': 'private, max-age=31536000, immutable',
        // Opened by itself it may draw and do nothing else.
        'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox",
        'Content-Disposition': 'inline',
        'X-Content-Type-Options': 'nosniff',
      })
      .send(picture.bytes);
  });

  return router;
}
