import type { Gear, Cable, Radio } from '@knapsack/contract';
import { curlew } from '@knapsack/contract/testing/outing';
import { choicesOf } from './gear-choices';

const common = { schema: 'knapsack.gear', version: 8, id: 'lead', name: 'Lead' } as const;

const pick = (gear: Gear, label: string, value: string): Gear => {
  const choice = choicesOf(gear).find((one) => one.label === label);
  if (!choice) throw new Error(`No choice “${label}”.`);
  return choice.picked(value);
};

describe('what is said of an item in a few words', () => {
  it('says what is not known until someone says so', () => {
    const quiet = (gear: Gear) => choicesOf(gear)[0];
    expect(quiet(curlew).value).toBe('');
    const told = pick(curlew, 'Beside a charge controller', 'no');
    expect((told as Radio).quiet).toBeFalse();
    expect(quiet(told).choices.map(({ value }) => value)).toEqual(['yes', 'no']);
  });

  it('gives a radio a battery inside with assumed figures, keeps those that were typed, and takes it out whole', () => {
    const inside = pick(curlew, 'Battery inside', 'idle') as Radio;
    expect(inside.internal?.wattHours.source).toBe('assumed');
    const typed: Radio = {
      ...inside,
      internal: {
        wattHours: { value: 33, source: 'datasheet' },
        chargeW: { value: 8, source: 'assumed' },
        chargesWhileOperating: false,
      },
    };
    const always = pick(typed, 'Battery inside', 'always') as Radio;
    expect(always.internal?.wattHours.value).toBe(33);
    expect(always.internal?.chargesWhileOperating).toBeTrue();
    expect('internal' in pick(always, 'Battery inside', 'none')).toBeFalse();
  });

  it('describes a lead one way at a time, as the shelf demands', () => {
    const lead: Cable = { ...common, kind: 'lead', loopOhm: { value: 0.02, source: 'measured' } };
    const gauge = pick(lead, 'Known by', 'awg') as Cable;
    expect([gauge.loopOhm, gauge.wire?.awg, gauge.wire?.areaMm2]).toEqual([undefined, 14, undefined]);
    const area = pick({ ...gauge, wire: { ...gauge.wire!, lengthM: 7 } }, 'Known by', 'area') as Cable;
    expect([area.wire?.awg, area.wire?.areaMm2, area.wire?.lengthM]).toEqual([undefined, 2, 7]);
    expect((pick(area, 'Known by', 'ohm') as Cable).wire).toBeUndefined();
    expect('run' in pick(pick(lead, 'Its place', 'panel'), 'Its place', '')).toBeFalse();
  });
});
