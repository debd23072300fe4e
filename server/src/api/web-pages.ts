import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Router } from 'express';
import expressStaticGzip from 'express-static-gzip';

const A_YEAR_S = 31_536_000;

/**
 * Serves the built web application: hashed files for ever, the page itself asked for fresh each time. Every address without a file
 * is a route of the page. The page is the same for everyone, to the byte: its service worker checks it by its hash.
 */
export function webPages(folder: string): Router {
  const router = Router();
  const index = join(folder, 'index.html');

  router.use(
    expressStaticGzip(folder, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br'],
      serveStatic: {
        setHeaders: (response, path) => {
          const hashed = /-[A-Za-z0-9]{8}\.(js|css|woff2)(\.br)?$/.test(path);
          response.setHeader('Cache-Control', hashed ? `public, max-age=${A_YEAR_S}, immutable` : 'no-cache');
        },
      },
    }),
  );
  router.get('/{*path}', (request, response, next) => {
    if (!existsSync(index) || !request.accepts('html') || /\.\w+$/.test(request.path)) return next();
    response.sendFile(index, { headers: { 'Cache-Control': 'no-cache' } });
  });
  return router;
}
