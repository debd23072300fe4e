import { markWithWire, sayWarnings } from './plan-findings.js';

const says = (stops: number, warnings = 0) =>
  ({ stops: Array.from({ length: stops }, () => ({})), warnings }) as unknown as NonNullable<
    Parameters<typeof markWithWire>[1]
  >;

describe('the mark of a plan with its wiring', () => {
  it('is a stop where the wiring has one, unless nothing is known of the plan', () => {
    expect(markWithWire('fine', says(1))).toBe('stop');
    expect(markWithWire('look', says(2))).toBe('stop');
    expect(markWithWire('unknown', says(1))).toBe('unknown');
    expect([markWithWire('fine', says(0, 3)), markWithWire('look', null)]).toEqual(['fine', 'look']);
  });

  it('counts the warnings in words', () => {
    expect([0, 1, 2].map((count) => sayWarnings(says(0, count)))).toEqual([
      '',
      '1 warning in Wire.',
      '2 warnings in Wire.',
    ]);
  });
});
