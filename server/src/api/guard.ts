import type { RequestHandler } from 'express';
import { sendProblem } from './problems.js';

const LOCAL_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);
const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Lets only this machine's own pages in: the Host must be a loopback name (against DNS rebinding), and
 * a request that writes must come from this origin and bring JSON (against other sites' forms).
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
  if (SAFE_METHODS.has(request.method)) return next();
  const { origin } = request.headers;
  if (origin !== undefined && origin !== `http://${host}`) {
    return sendProblem(response, 403, 'Another site may not write to Knapsack.');
  }
  if (hasBody(request.headers) && !request.is('application/json')) {
    return sendProblem(response, 415, 'The body must be sent as application/json.');
  }
  next();
};

const hasBody = (headers: Record<string, unknown>): boolean =>
  headers['transfer-encoding'] !== undefined || Number(headers['content-length'] ?? 0) > 0;
