import { chanceLaw } from '../chance/chance-law.js';
import { generator } from '../random/generator.js';
import { darkFieldPlan } from '../testing/field-outings.js';
import { aloneSays } from './alone.js';
import { FieldMarch } from './field-march.js';
import { Particles } from './particles.js';
import type { FieldReading } from './reading.js';

function says(values: FieldReading['values'], state: FieldReading['state'] = 'off') {
  const law = chanceLaw(darkFieldPlan());
  const next = generator(1);
  const march = new FieldMarch(law, new Particles(60, law, next), next);
  return aloneSays(march, { id: 'a', timeMs: 0, source: 'typed', state, values });
}

describe('a reading on its own', () => {
  it('tells the charge by volts: much near the ends, little on the level stretch of LiFePO4', () => {
    const low = says({ volts: 12.5 })!;
    const middle = says({ volts: 13.15 })!;
    expect(low.p90).toBeLessThan(0.25);
    expect(middle.p90 - middle.p10).toBeGreaterThan(0.2);
    expect(says({ volts: 13.5 })!.p10).toBeGreaterThan(0.9);
  });

  it('tells more charge for the same volts with more on', () => {
    expect(says({ volts: 12.9 }, 'keyDown')!.p50).toBeGreaterThan(says({ volts: 12.9 })!.p50);
    const unknown = says({ volts: 12.9 }, 'unknown')!;
    expect(unknown.p90 - unknown.p10).toBeGreaterThan(
      says({ volts: 12.9 })!.p90 - says({ volts: 12.9 })!.p10,
    );
  });

  it('tells it by per cent straight, by both together more surely', () => {
    const { p10, p50, p90 } = says({ percent: 50 })!;
    expect(p50).toBeCloseTo(0.5, 1);
    // Tenth and ninetieth of the law lie 1.533 scales of 8 apart from its middle.
    expect((p90 - p10) / 2).toBeCloseTo(0.123, 1);
    const both = says({ percent: 50, volts: 13.1 })!;
    expect(both.p90 - both.p10).toBeLessThan(p90 - p10);
  });

  it('says nothing of it by amps and by what was counted', () => {
    expect(says({ amps: 0.4 })).toBeNull();
    expect(says({ outAh: 4, inAh: 2 })).toBeNull();
  });
});
