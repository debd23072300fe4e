import type { Radio } from '../documents/gear.js';
import { curlew, shale, trip } from '../testing/outing.js';
import { radioNeeds } from './radio-needs.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
const thirsty: Radio = {
  ...curlew,
  ...{ id: 'whimbrel', name: 'Whimbrel', weightG: sheet(3000), receiveA: sheet(1) },
  transmit: [{ rfW: 100, amps: 20, source: 'datasheet' }],
};

describe('what each radio needs for the same outing', () => {
  const needs = [...radioNeeds(trip(), [curlew, shale, thirsty], [curlew, thirsty])];

  it('is the battery that the whole model asks for, at typical weights', () => {
    const [small, large] = needs.map(({ need }) => need!);
    // No panel in bag or shelf: none is offered.
    expect([small.watts, small.panelG, large.watts]).toEqual([0, 0, 0]);
    // 12.8 V at 102 Wh a kilo.
    expect(small.batteryG).toBeCloseTo((1000 * small.ampereHours * 12.8) / 102, 6);
    expect(large.ampereHours).toBeGreaterThan(2 * small.ampereHours);
    expect([small.radioG, large.radioG]).toEqual([curlew.weightG!.value, 3000]);
  });

  it('names the shelf’s own battery beside it, and a radio that has less power', () => {
    expect(needs[0].kit.battery?.id).toBe('shale');
    expect(needs[0].need!.lessPower).toBeFalse();
    const [block] = trip().blocks;
    const loud = trip({ blocks: [{ ...block, powerW: 100 }] });
    const [weak] = radioNeeds(loud, [curlew, shale], [curlew]);
    expect(weak.need!.lessPower).toBeTrue();
  });

  it('says why where nothing can be worked out', () => {
    const [lost] = radioNeeds(trip({ loadout: [] }), [curlew], [curlew]);
    expect(lost.need).toBeNull();
    expect(lost.problem).not.toBe('');
  });
});

describe('a radio that nobody has weighed', () => {
  it('has no weight in what it needs', () => {
    const { weightG: _none, ...unweighed } = curlew;
    const [{ need }] = radioNeeds(trip(), [unweighed, shale], [unweighed]);
    expect(need!.radioG).toBeNull();
  });
});
