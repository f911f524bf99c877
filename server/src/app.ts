import '@bogen/core/mathematics';
import { jsonFileSchemas, lessonFileSchema, toldByServer } from '@bogen/contract';
import express, { type Express } from 'express';
import { sql } from 'kysely';
import type { Logger } from 'pino';
import { z } from 'zod';
import { dataRouter } from './account/data.js';
import { entryRouter } from './account/entry.js';
import { accountRouter } from './account/own.js';
import { peopleRouter } from './account/people.js';
import { schoolRouter } from './account/school.js';
import { auditRouter } from './audit/router.js';
import { benchRouter } from './bench/router.js';
import { classManageRouter } from './class/manage.js';
import { deskRouter } from './class/desk.js';
import { classRouter } from './class/router.js';
import type { Settings } from './config/settings.js';
import { courseRouter } from './course/router.js';
import type { Db } from './db/connect.js';
import { glossaryRouter } from './glossary/router.js';
import { errorHandler, refuseForeignOrigin } from './http/errors.js';
import type { Pool } from './pool/pool.js';
import { openApiDocument } from './http/openapi.js';
import { HttpProblem } from './http/problem.js';
import { protectAnswers, protectFramedPages, protectPages } from './http/protection.js';
import { floodLimits, limitFloods, type FloodLimits } from './http/rateLimit.js';
import { route } from './http/route.js';
import { allowFrames } from './lesson/embedding.js';
import { lessonRouter } from './lesson/router.js';
import { mailOf } from './mail/send.js';
import { pictureRouter } from './picture/router.js';
import { shelfChangeRouter } from './shelf/change.js';
import { shelfRouter } from './shelf/router.js';
import { studentRouter } from './student/router.js';
import { serveWeb, webOf } from './http/web.js';
import { Metrics } from './watch/metrics.js';
import { watchRequests } from './watch/requests.js';
import { workRouter } from './work/router.js';

export interface AppOptions {
  readonly db: Db;
  readonly log: Logger;
  /** Where costly calculations run. */
  readonly pool: Pool;
  /** Folder of the built web application; only the interface below `/api` is served where not given. */
  readonly webFolder?: string;
  /** What whoever runs the server has set. */
  readonly settings?: Settings;
  /** How much may come in a minute. */
  readonly floods?: FloodLimits;
}

/** The whole server as an Express application, without a port. It keeps nothing in memory that must not be lost. */
export function createApp({
  db,
  log,
  pool,
  webFolder,
  settings = {},
  floods = floodLimits,
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  // Answers are not kept by browsers, so that nothing is gained by telling whether they have changed.
  app.disable('etag');
  // A reverse proxy on the same machine may tell the client's address and scheme.
  app.set('trust proxy', settings.trustProxy ?? 'loopback');
  const mail = mailOf(settings);
  const metrics = new Metrics(db, pool);
  app.use(watchRequests(log, metrics));
  const braked = limitFloods(db, floods);
  app.get('/metrics', protectAnswers(settings), braked, metrics.handler(db, settings));

  const api = express.Router();
  const web = webFolder ? webOf(webFolder) : undefined;
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    if (web) response.set('Bogen-Build', web.build);
    next();
  });
  route(api, db, 'health', () => Promise.resolve({ status: 'up' as const }));
  route(api, db, 'ready', async () => {
    // A process that is being stopped finishes what it has, and is given nothing new.
    if (app.locals['stopping']) throw new HttpProblem('busy', toldByServer('stopping'), { retryAfter: 5 });
    await sql`select 1`.execute(db);
    return { status: 'ready' as const };
  });
  const openApi = openApiDocument();
  api.get('/openapi.json', (_request, response) => {
    response.json(openApi);
  });
  const schemas = new Map(
    Object.entries({ 'lesson-file': lessonFileSchema, ...jsonFileSchemas }).map(([name, schema]) => [
      name,
      JSON.stringify(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'ref' }), null, 1),
    ]),
  );
  api.get('/schemas/:name.json', (request, response, next) => {
    const text = schemas.get(request.params.name);
    if (text === undefined) return next();
    response.type('application/schema+json').send(text);
  });
  api.use(braked);
  api.use(refuseForeignOrigin);
  api.use(
    // What is asked for most is found first.
    workRouter(db, pool),
    entryRouter(db, settings),
    accountRouter(db, settings, mail, log),
    schoolRouter(db, settings, log),
    dataRouter(db),
    peopleRouter(db, settings, mail, log),
    auditRouter(db),
    courseRouter(db),
    classManageRouter(db),
    studentRouter(db),
    shelfRouter(db, pool),
    shelfChangeRouter(db),
    lessonRouter(db, pool, webFolder),
    classRouter(db, pool),
    deskRouter(db, pool),
    pictureRouter(db, pool),
    benchRouter(db),
    glossaryRouter(db),
  );
  api.use(() => {
    throw new HttpProblem('not-found', toldByServer('nothingHere'));
  });
  app.use('/api', protectAnswers(settings), api);

  if (web) {
    const protect = protectPages(settings);
    app.get('/embed/:embedding', braked, allowFrames(db, protectFramedPages(settings), protect));
    // What was let into other pages keeps its headers.
    app.use((request, response, next) =>
      response.hasHeader('Content-Security-Policy') ? next() : protect(request, response, next),
    );
    serveWeb(app, web);
  }
  app.use(errorHandler(log));
  return app;
}
