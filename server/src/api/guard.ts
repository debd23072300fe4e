import type { Request, RequestHandler } from 'express';
import { bearerOf } from '../instruments/instrument-routes.js';
import type { Reach } from '../reach/reach.js';
import { sendProblem } from './problems.js';

/** What a body may be: nothing that another site's form could send without asking first. */
const TYPES = ['application/json', 'application/zip'];
/** The login is a form, so that it works without scripts; its origin tells it from another site's. */
const LOGIN_TYPE = 'application/x-www-form-urlencoded';
const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** What a browser says of a request that its own page made, or that a person typed. */
const OWN_SITES: readonly unknown[] = [undefined, 'same-origin', 'none'];

/**
 * Lets only Knapsack's own pages in: the Host must be one of its names (against DNS rebinding); nothing under /api answers a
 * request that a foreign page made, of whatever method, navigations included; and a request that writes must come from this
 * origin and bring JSON or a zip (against other sites' forms). The pages themselves open from any link. Reached from other
 * devices, a request that writes must say where it comes from: over plain http a browser sends no Sec-Fetch-Site, Origin alone.
 *
 * @param hosts names that may stand in Host, without ports
 */
export function guard(reach: Reach | null, hosts: () => ReadonlySet<string>): RequestHandler {
  const scheme = reach?.tls ? 'https' : 'http';
  return (request, response, next) => {
    const host = (request.headers.host ?? '').toLowerCase();
    if (!hosts().has(host.replace(/:\d+$/, ''))) {
      return sendProblem(
        response,
        403,
        reach
          ? 'Knapsack does not know this name as its own: KNAPSACK_NAMES lists the names by which it may be called.'
          : 'Knapsack answers only on this machine: open it as 127.0.0.1 or localhost.',
      );
    }
    const { origin, 'sec-fetch-site': site } = request.headers;
    const isOurs = origin === `${scheme}://${host}` || (origin !== undefined && origin === reach?.origin);
    const isForeign = !OWN_SITES.includes(site) || (origin !== undefined && !isOurs);
    const isSafe = SAFE_METHODS.has(request.method);
    const isPage = isSafe && !request.path.startsWith('/api');
    if (isForeign && !isPage) {
      return sendProblem(response, 403, 'Another site may not use Knapsack’s data.');
    }
    if (isSafe) return next();
    // A program with the token of an instrument is no page: a foreign one could not send that header without asking first.
    if (sendsLines(request)) return next();
    if (reach && origin === undefined && site === undefined) {
      return sendProblem(response, 403, 'A request that writes must say where it comes from: send Origin.');
    }
    const isLogin = reach !== null && request.path === '/login';
    if (hasBody(request.headers) && !request.is(isLogin ? [LOGIN_TYPE] : TYPES)) {
      return sendProblem(
        response,
        415,
        'The body must be sent as application/json; a backup as application/zip.',
      );
    }
    next();
  };
}

/** Whether a request brings lines of an instrument, with its token. */
export const sendsLines = (request: Pick<Request, 'method' | 'path' | 'headers'>): boolean =>
  request.method === 'POST' && request.path.startsWith('/api/lines/') && bearerOf(request) !== null;

const hasBody = (headers: Record<string, unknown>): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;
