import { HttpErrorResponse } from '@angular/common/http';
import type { ProblemDocument } from '@knapsack/contract';

/** Whether the server could not be reached at all. */
export const isOffline = (error: unknown): boolean =>
  error instanceof HttpErrorResponse && error.status === 0;

export const hasStatus = (error: unknown, status: number): boolean =>
  error instanceof HttpErrorResponse && error.status === status;

/** What went wrong with a request, in a sentence. */
export function problemText(error: unknown): string {
  if (isOffline(error))
    return 'Knapsack’s server does not answer. Start it again where it runs, with npm start, or come back into its network; this page goes on when it is back.';
  if (error instanceof HttpErrorResponse) {
    const problem = error.error as Partial<ProblemDocument> | null;
    if (problem && typeof problem.detail === 'string') return problem.detail;
  }
  return 'Something went wrong in Knapsack itself. What you typed is kept in this browser.';
}
