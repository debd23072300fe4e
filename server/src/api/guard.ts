import type { RequestHandler } from 'express';
import { sendProblem } from './problems.js';

const LOCAL_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);
/** What a body may be: nothing that another site's form could send without asking first. */
const TYPES = ['application/json', 'application/zip'];
const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** What a browser says of a request that its own page made, or that a person typed. */
const OWN_SITES: readonly unknown[] = [undefined, 'same-origin', 'none'];

/**
 * Lets only this machine's own pages in: the Host must be a loopback name (against DNS rebinding); nothing under /api answers a
 * request that a foreign page made, of whatever method, navigations included; and a request that writes must come from this
 * origin and bring JSON or a zip (against other sites' forms). The pages themselves open from any link.
 */
export const guard: RequestHandler = (request, response, next) => {
  const host = request.headers.host ?? '';
  if (!LOCAL_NAMES.has(host.replace(/:\d+$/, ''))) {
    return sendProblem(
      response,
      403,
      'Knapsack answers only on this machine: open it as 127.0.0.1 or localhost.',
    );
  }
  const { origin } = request.headers;
  const isForeign =
    !OWN_SITES.includes(request.headers['sec-fetch-site']) ||
    (origin !== undefined && origin !== `http://${host}`);
  const isPage = SAFE_METHODS.has(request.method) && !request.path.startsWith('/api');
  if (isForeign && !isPage) {
    return sendProblem(response, 403, 'Another site may not use Knapsack’s data.');
  }
  if (SAFE_METHODS.has(request.method)) return next();
  if (hasBody(request.headers) && !request.is(TYPES)) {
    return sendProblem(
      response,
      415,
      'The body must be sent as application/json; a backup as application/zip.',
    );
  }
  next();
};

const hasBody = (headers: Record<string, unknown>): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;
