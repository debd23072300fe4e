import { checkedPack, factsOf } from '../testing/harness.js';
import type { CheckedCharger } from './charger-checks.js';
import { checkHarness } from './check-harness.js';

const charger = (more: Partial<CheckedCharger> = {}): CheckedCharger => ({
  ...{ name: 'Ebb 5', maxA: 5, hasEnd: true, profiles: ['lifepo4'], hours: 2 },
  ...{ fromVehicle: false, starterA: null, generator: null },
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

  it('must end by itself for lithium, and for others if it is on for longer than they take to fill', () => {
    const endless = charger({ hasEnd: false, profiles: ['lifepo4', 'agm', 'liion'] });
    expect(rules(endless)).toEqual(['stop noEnd']);
    expect(rules(endless, { chemistry: 'liion' })).toEqual(['stop noEnd']);
    expect(found(endless)[0].sentence).toContain('may burn. Take a charger for LiFePO4');
    // From half full: 9 Ah / (0.92 x 5 A) are 1.96 h.
    const agm = { chemistry: 'agm', soc: 0.5, maxChargeA: 9 } as const;
    expect(rules({ ...endless, hours: 1.9 }, agm)).toEqual([]);
    expect(rules({ ...endless, hours: 2 }, agm)).toEqual(['stop noEnd']);
    // 2 A for 4 h into full cells of 2 Ah; a twentieth of their capacity does no harm.
    const cells = { chemistry: 'nimh', capacityAh: 2, maxChargeA: 4, soc: 1 } as const;
    const constant = { ...endless, profiles: ['nimh'] as const, hours: 4 };
    expect(rules({ ...constant, maxA: 2 }, cells)).toEqual(['stop noEnd']);
    expect(rules({ ...constant, maxA: 0.1 }, cells)).toEqual([]);
  });

  it('has a cable of its own from 10 A on, in a vehicle with a fuse at both batteries', () => {
    const cable = (more: Partial<CheckedCharger>) =>
      checkHarness([], factsOf({ chargers: [charger(more)], packs: [checkedPack({ maxChargeA: 40 })] })).find(
        ({ rule }) => rule === 'chargerCable',
      );
    expect(cable({ maxA: 9.9 })).toBeUndefined();
    expect(cable({ maxA: 20 })?.severity).toBe('note');
    const vehicle = cable({ maxA: 20, fromVehicle: true, starterA: 24 });
    expect(vehicle?.severity).toBe('look');
    expect(vehicle?.sentence).toContain('Both');
    // 25 A want 2.5 mm2, which carries 32 A.
    expect(vehicle?.asks).toBe('2.5 mm² wire');
  });

  it('must be made for the battery; if its profiles are not entered it is a warning, for NiMH a stop', () => {
    expect(rules(charger(), { chemistry: 'agm' })).toEqual(['stop profile']);
    const { profiles: _profiles, ...silent } = charger();
    expect(rules(silent, { chemistry: 'agm' })).toEqual(['look profile']);
    expect(rules(silent, { chemistry: 'liion' })).toEqual(['look profile']);
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
