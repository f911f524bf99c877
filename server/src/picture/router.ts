import { toldByServer } from '@bogen/contract';
import { Router } from 'express';
import { z } from 'zod';
import type { Db } from '../db/connect.js';
import { HttpProblem } from '../http/problem.js';
import { route } from '../http/route.js';
import { readSession } from '../http/session.js';
import type { Pool } from '../pool/pool.js';
import { keepPicture } from './keep.js';
import { rasterise } from './rasterise.js';

/** Pictures to draw over. */
export function pictureRouter(db: Db, pool: Pool): Router {
  const router = Router();

  route(router, db, 'addPicture', ({ body, session }) =>
    keepPicture(db, pool.of(session.instructor.id), session.instructor.id, Buffer.from(body.data, 'base64')),
  );

  // Pixels and not JSON, so that it stands outside the contract's schemas. Readers get pixels also of an SVG. Whoever is signed in
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
          .select(['id', 'media_type', 'bytes', 'width', 'height', 'pixels'])
          .where('id', '=', id.data)
          .executeTakeFirst()
      : undefined;
    if (!picture) throw new HttpProblem('not-found', toldByServer('pictureNotThere'));
    const isDrawn = picture.media_type === 'image/svg+xml' && session.who === 'student';
    const pixels = isDrawn ? (picture.pixels ?? (await drawLater(db, picture))) : undefined;
    response
      .set({
        'Content-Type': pixels ? 'image/png' : picture.media_type,
        'Cache-Control': 'private, max-age=31536000, immutable',
        // Opened by itself it may draw and do nothing else.
        'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox",
        'Content-Disposition': 'inline',
        'X-Content-Type-Options': 'nosniff',
      })
      .send(pixels ?? picture.bytes);
  });

  return router;
}

/** Draws an SVG that was kept without pixels. */
async function drawLater(
  db: Db,
  { id, bytes, width, height }: { id: string; bytes: Buffer; width: number; height: number },
): Promise<Buffer> {
  const pixels = await rasterise(bytes, width, height);
  await db.updateTable('picture').set({ pixels }).where('id', '=', id).execute();
  return pixels;
}
