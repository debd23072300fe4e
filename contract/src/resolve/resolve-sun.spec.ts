import { forecast } from '@knapsack/core';
import type { ControllerGear } from '../documents/charging-gear.js';
import type { Panel } from '../documents/gear.js';
import type { Weather } from '../documents/sun.js';
import { readGear, readTrip } from '../schemas/read.js';
import { shelf, trip } from '../testing/documents.js';
import { resolve } from './resolve.js';
import { skyOf } from './sky-of.js';

const common = { schema: 'knapsack.gear', version: 8 } as const;
const label = (value: number) => ({ value, source: 'datasheet' }) as const;
const frond: Panel = {
  ...common,
  id: 'frond',
  kind: 'panel',
  name: 'Frond',
  technology: 'good_mono',
  watts: label(36),
};
const rill: ControllerGear = {
  ...common,
  id: 'rill',
  kind: 'controller',
  name: 'Rill',
  type: 'mppt',
  maxA: label(8),
  maxInputV: label(25),
  selfUseA: label(0.01),
};
const sunny = trip({
  place: { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5 },
  loadout: [...trip().loadout, { gear: 'frond', count: 2 }, { gear: 'rill', count: 1 }],
});
const gear = [...shelf, frond, rill];
const sentenceOf = (...args: Parameters<typeof resolve>) => {
  const plan = resolve(...args);
  return plan.ok ? '' : plan.problems[0].sentence;
};

describe('resolving the sun', () => {
  it('takes from the watts what the label does not say, and says so', () => {
    const plan = resolve(sunny, gear);
    expect(plan.ok && plan.value.assumed).toContain('Frond: output against label 90 %, Vmp, Voc, Isc');
    expect(plan.ok && plan.value.sun!.panel.impA).toBe(4);
    expect(plan.ok && plan.value.accessories.map(({ name }) => name)).toEqual(['relay', 'Rill']);
  });

  it('makes the trip end with more in the pack', () => {
    const without = resolve(trip(), gear);
    const withSun = resolve(sunny, gear);
    if (!without.ok || !withSun.ok) throw new Error('both should resolve');
    expect(forecast(withSun.value).verdict.endSoc).toBeGreaterThan(
      forecast(without.value).verdict.endSoc + 0.05,
    );
  });

  it('asks for a controller and a place, and takes one controller', () => {
    const [radio, battery] = trip().loadout;
    const bag = (...ids: string[]) => [radio, battery, ...ids.map((id) => ({ gear: id, count: 1 }))];
    expect(sentenceOf({ ...sunny, loadout: bag('frond') }, gear)).toContain('never a panel straight');
    expect(sentenceOf({ ...sunny, place: trip().place }, gear)).toContain(
      'latitude and longitude or a locator',
    );
    const other = { ...rill, id: 'other' };
    expect(sentenceOf({ ...sunny, loadout: bag('frond', 'other', 'rill') }, [...gear, other])).toContain(
      'two charge controllers',
    );
  });

  it('stops a panel that would destroy its controller in the cold, and a profile that does not fit', () => {
    // 21.6 V x (1 + 0.004 x 65) = 27.2 V at -40 C
    expect(sentenceOf({ ...sunny, temperatureC: -40 }, gear)).toContain('rises to 27.2 V');
    expect(sentenceOf({ ...sunny, temperatureC: 25 }, gear)).toBe('');
    const leadOnly: ControllerGear = { ...rill, profiles: ['agm'] };
    expect(sentenceOf(sunny, [...shelf, frond, leadOnly])).toContain('no charge profile');
    // Every battery counts, not the first alone.
    const both = [...sunny.loadout, { gear: 'cobble', count: 1 }];
    const turns = { ...sunny, batteryUse: 'turns' as const, loadout: both };
    const ironOnly: ControllerGear = { ...rill, profiles: ['lifepo4'] };
    expect(sentenceOf(turns, [...shelf, frond, ironOnly])).toContain('no charge profile for AGM (lead-acid)');
    expect(sentenceOf(turns, [...shelf, frond, { ...rill, profiles: ['lifepo4', 'agm'] }])).toBe('');
  });

  it('reads valid documents and refuses labels that were swapped', () => {
    const swapped = readGear({ ...frond, vmpV: label(21), vocV: label(18) });
    expect(swapped.ok ? '' : swapped.problems[0].sentence).toContain('Vmp must be below its Voc');
    const currents = readGear({ ...frond, impA: label(3), iscA: label(2) });
    expect(currents.ok ? '' : currents.problems[0].sentence).toContain('Imp must be below its Isc');
    expect(readGear(frond).ok).toBeTrue();
    expect(readGear(rill).ok).toBeTrue();
  });

  it('reads every aim, weather in order, and no other', () => {
    const placed = (aim: unknown) =>
      readTrip({ ...sunny, panelPlace: { aim, mount: 'propped', ground: 'snow' } }).ok;
    expect(placed({ how: 'flat' })).toBeTrue();
    expect(placed({ how: 'fixed', tiltDeg: 40, azimuthDeg: 180 })).toBeTrue();
    expect(placed({ how: 'every', minutes: 60 })).toBeTrue();
    expect(placed({ how: 'at', times: [sunny.start] })).toBeTrue();
    expect(placed({ how: 'hung' })).toBeTrue();
    expect(placed({ how: 'fixed' })).toBeFalse();
    expect(placed({ how: 'sideways' })).toBeFalse();
    const hour = (start: string) => ({ start, cloud: 0.5 });
    const weather = { air: 'clean', cloud: 0, windMS: 1, hours: [hour(sunny.end), hour(sunny.start)] };
    const read = readTrip({ ...sunny, weather });
    expect(read.ok ? '' : read.problems[0].sentence).toContain('must follow one another');
  });
});

describe('the sky at an instant', () => {
  const at = (hour: number) => Date.UTC(2027, 8, 4, hour);
  const hour = (of: number, cloud: number) => ({ start: new Date(at(of)).toISOString(), cloud });
  const under = (weather: Weather) => skyOf({ ...sunny, weather, temperatureC: 12 });

  it('is the known hour up to the next, the last for an hour, else the usual', () => {
    const skyAt = under({ air: 'clean', cloud: 0.3, windMS: 2, hours: [hour(8, 1), hour(12, 0.5)] });
    expect([7, 8, 11, 12, 13].map((of) => skyAt(at(of)).cloud)).toEqual([0.3, 1, 1, 0.5, 0.3]);
  });

  it('takes the hour’s own temperature, wind and rain', () => {
    const skyAt = under({
      air: 'clean',
      cloud: 0,
      windMS: 2,
      hours: [{ ...hour(8, 1), rain: true, temperatureC: 3, windMS: 9 }],
    });
    expect(skyAt(at(8))).toEqual({ cloud: 1, rain: true, airC: 3, windMS: 9 });
    expect(skyAt(at(10))).toEqual({ cloud: 0, rain: false, airC: 12, windMS: 2 });
  });
});
