import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** Stands in the built index.html where each answer's nonce goes. */
const NONCE_MARK = 'KNAPSACK_NONCE';
const A_YEAR_S = 31_536_000;

/**
 * Serves the built web application: hashed files for ever, the page itself fresh each time, with the
 * nonce that the content security policy asks of its styles. Every address without a file is a route of the page.
 */
export function webPages(folder: string): Router {
  const router = Router();
  const indexFile = join(folder, 'index.html');
  const page = existsSync(indexFile) ? readFileSync(indexFile, 'utf8') : null;

  router.use(
    expressStaticGzip(folder, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: {
        setHeaders: (response, path) => {
          const hashed = /-[A-Z0-9]{8}\.\w+(\.br)?$/.test(path);
          response.setHeader('Cache-Control', hashed ? `public, max-age=${A_YEAR_S}, immutable` : 'no-cache');
        },
      },
    }),
  );
  router.get('/{*path}', (request, response, next) => {
    if (page === null || !request.accepts('html') || /\.\w+$/.test(request.path)) return next();
    response
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(page.replaceAll(NONCE_MARK, String(response.locals['nonce'])));
  });
  return router;
}
