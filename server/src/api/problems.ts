import type { ErrorRequestHandler, Response } from 'express';
import type { ProblemDocument } from '@knapsack/contract';
import type { Problem } from '@knapsack/core';
import type { Logger } from 'pino';
import { StorageProblem, type StorageCause } from '../database/storage-problem.js';

const TITLES = {
  400: 'Not understood',
  401: 'Not logged in',
  403: 'Not from here',
  404: 'Not found',
  409: 'In the way',
  412: 'Changed meanwhile',
  413: 'Too large',
  415: 'Not JSON',
  422: 'Not a valid document',
  428: 'If-Match is missing',
  429: 'Too often',
  500: 'A fault in Knapsack',
  503: 'Not now',
  507: 'No room left',
} as const;

export type ProblemStatus = keyof typeof TITLES;

/** Answers with a problem document (RFC 9457). */
export function sendProblem(
  response: Response,
  status: ProblemStatus,
  detail: string,
  problems: readonly Problem[] = [],
): void {
  const body: ProblemDocument = {
    type: 'about:blank',
    title: TITLES[status],
    status,
    detail,
    ...(problems.length > 0 && {
      errors: problems.map(({ pointer = '', sentence }) => ({ pointer, detail: sentence })),
    }),
  };
  response.status(status).type('application/problem+json').send(JSON.stringify(body));
}

const STORAGE_STATUS: Readonly<Record<StorageCause, ProblemStatus>> = {
  full: 507,
  readonly: 503,
  locked: 503,
  corrupt: 500,
  failed: 503,
};

/** The last handler: body errors of Express as sentences, anything else as a fault without its insides. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error: { type?: string; status?: number; limit?: number }, _request, response, next) => {
    if (response.headersSent) return next(error);
    if (error.type === 'entity.parse.failed') return sendProblem(response, 400, 'The body is not JSON.');
    if (error.type === 'entity.too.large') {
      const most = Math.round((error.limit ?? 0) / 1024 / 1024);
      return sendProblem(response, 413, `The body is larger than ${most} MB.`);
    }
    if (error.status !== undefined && error.status >= 400 && error.status < 500) {
      return sendProblem(response, 400, 'The request could not be read.');
    }
    log.error(error);
    if (error instanceof StorageProblem) {
      return sendProblem(response, STORAGE_STATUS[error.because], error.message);
    }
    sendProblem(response, 500, 'Something went wrong in Knapsack itself; nothing was saved by this request.');
  };
}
