import { sayWhyNotStay, whyNotStay } from './stay';

describe('whether the application stays on the device', () => {
  it('does where the address is trusted and the browser can', () => {
    expect(whyNotStay(true, true)).toBeNull();
    expect(whyNotStay(false, true)).toBe('plain http');
    expect(whyNotStay(false, false)).toBe('plain http');
    expect(whyNotStay(true, false)).toBe('browser');
  });

  it('says what works in its place', () => {
    for (const why of ['plain http', 'browser'] as const)
      expect(sayWhyNotStay(why)).toContain('Keep this page open');
  });
});
