import { checkedPack, factsOf } from '../testing/harness.js';
import type { CheckedCharger } from './charger-checks.js';
import { checkHarness } from './check-harness.js';

const charger = (more: Partial<CheckedCharger> = {}): CheckedCharger => ({
  ...{ name: 'Ebb 5', maxA: 5, hasEnd: true, profiles: ['lifepo4'], hours: 2 },
  ...{ starterA: null, generator: null },
  ...more,
});
const generator = (more: Partial<NonNullable<CheckedCharger['generator']>> = {}) => ({
  generator: { name: 'Drone 900', ratedW: 900, takenW: 200, inQuiet: false, ...more },
});
const found = (of: CheckedCharger, pack: Parameters<typeof checkedPack>[0] = {}, count = 1) =>
  checkHarness(
    [],
    factsOf({
      chargers: [of],
      packs: Array.from({ length: count }, () =>
        checkedPack({ maxChargeA: 9, chargeEntered: true, ...pack }),
      ),
    }),
    false,
  ).filter(({ rule }) => ['noEnd', 'profile', 'accepts', 'starter', 'generator', 'quiet'].includes(rule));
const rules = (...of: Parameters<typeof found>) =>
  found(...of).map(({ rule, severity }) => `${severity} ${rule}`);

describe('a charger that charges during the outing', () => {
  it('is kept by one that is made for the battery and ends by itself', () => {
    expect(rules(charger())).toEqual([]);
    expect(rules(charger(generator()))).toEqual([]);
  });

  it('must have an end of its own for lithium, not for lead', () => {
    const endless = charger({ hasEnd: false, profiles: ['lifepo4', 'agm', 'liion'] });
    expect(rules(endless)).toEqual(['stop noEnd']);
    expect(rules(endless, { chemistry: 'liion' })).toEqual(['stop noEnd']);
    expect(found(endless)[0].sentence).toContain('may burn. Take a charger for LiFePO4');
    expect(rules(endless, { chemistry: 'agm' })).toEqual([]);
  });

  it('must be made for the battery; one that does not say is for all but NiMH', () => {
    expect(rules(charger(), { chemistry: 'agm' })).toEqual(['stop profile']);
    const { profiles: _profiles, ...silent } = charger();
    expect(rules(silent, { chemistry: 'agm' })).toEqual([]);
    expect(rules(silent, { chemistry: 'nimh' })).toEqual(['stop profile']);
  });

  it('must not give more than the battery takes, of several their part', () => {
    expect(rules(charger({ maxA: 9 }))).toEqual([]);
    expect(rules(charger({ maxA: 10 }))).toEqual(['stop accepts']);
    expect(rules(charger({ maxA: 10 }), { chargeEntered: false })).toEqual(['look accepts']);
    expect(rules(charger({ maxA: 10 }), {}, 2)).toEqual([]);
    expect(rules(charger({ maxA: 20, profiles: ['agm'] }), { chemistry: 'agm' })).toEqual(['look accepts']);
  });

  it('must leave the starter battery enough', () => {
    // A fifth of 60 Ah at 6 A are two hours.
    expect(rules(charger({ starterA: 6, hours: 2 }))).toEqual([]);
    expect(rules(charger({ starterA: 6, hours: 2.1 }))).toEqual(['look starter']);
    expect(rules(charger({ starterA: null, hours: 9 }))).toEqual([]);
  });

  it('must hang on a generator that carries it and rests at night', () => {
    expect(rules(charger(generator({ takenW: 900 })))).toEqual([]);
    expect(rules(charger(generator({ takenW: 901 })))).toEqual(['stop generator']);
    expect(rules(charger(generator({ inQuiet: true })))).toEqual(['look quiet']);
    const [carries] = found(charger(generator({ takenW: 1100.2 })));
    expect(carries.sentence).toContain('Ebb 5 takes 1101 W and Drone 900 gives 900 W');
    expect([carries.asks, carries.has]).toEqual(['at most 900 W', '1101 W']);
  });
});
