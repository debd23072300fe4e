import { ensureEngine } from './install.mjs';

describe('the database engine', () => {
  // A clean checkout asked twice, while the first compilation still ran; each swept the other's files away.
  it('is made ready once, however many ask while it is being made', () => {
    expect(ensureEngine()).toBe(ensureEngine());
  });
});
