import { HttpErrorResponse } from '@angular/common/http';
import { hasStatus, isOffline, problemText } from './problem-text';

describe('telling what went wrong with a request', () => {
  const answer = (status: number, error: unknown = null) => new HttpErrorResponse({ status, error });

  it('uses the server’s own sentence', () => {
    expect(problemText(answer(422, { detail: 'The end must come last.' }))).toBe('The end must come last.');
  });

  it('tells a stopped server from a fault, and says what is kept', () => {
    expect(problemText(answer(0))).toContain('does not answer');
    expect(problemText(answer(500, 'oops'))).toContain('is kept in this browser');
    expect(problemText(new Error('bug'))).toContain('is kept in this browser');
    expect([isOffline(answer(0)), isOffline(answer(500)), isOffline(null)]).toEqual([true, false, false]);
    expect([hasStatus(answer(412), 412), hasStatus(answer(0), 412)]).toEqual([true, false]);
  });
});
