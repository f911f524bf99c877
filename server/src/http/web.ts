import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Express } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** The web application as it was built. */
export interface Web {
  readonly folder: string;
  readonly page: string;
  /** What tells one build from another, so that a page that is open across an update knows. */
  readonly build: string;
}

/** @returns `undefined` where nothing is built */
export function webOf(folder: string): Web | undefined {
  const file = join(folder, 'index.html');
  if (!existsSync(file)) return undefined;
  const page = readFileSync(file, 'utf8');
  const build = createHash('sha256').update(page).digest('hex').slice(0, 16);
  // The page knows which build it is of; every answer of the interface tells which one is served now.
  return {
    folder,
    build,
    page: page.replace('</head>', `  <meta name="build" content="${build}" />\n  </head>`),
  };
}

/**
 * Serves the web application. What has a name of its own for each content is kept for good, and was compressed when it
 * was built; the page that names it is asked for each time.
 */
export function serveWeb(app: Express, { folder, page }: Web): void {
  const compressed = { enableBrotli: true, orderPreference: ['br', 'gz'] as const, index: false };
  app.use(
    '/assets',
    expressStaticGzip(join(folder, 'assets'), {
      ...compressed,
      orderPreference: [...compressed.orderPreference],
      serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
    }),
  );
  app.use(
    expressStaticGzip(folder, {
      ...compressed,
      orderPreference: [...compressed.orderPreference],
      serveStatic: { maxAge: '1h' },
    }),
  );
  app.use((request, response, next) => {
    if (request.method !== 'GET' && request.method !== 'HEAD') return next();
    response.set('Cache-Control', 'no-cache').type('html').send(page);
  });
}
