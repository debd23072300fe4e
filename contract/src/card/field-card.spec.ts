import { lookUp } from '../resolve/look-up.js';
import { harnessReport } from '../harness/harness-report.js';
import { rationOf, USUAL_RATION_OPTIONS } from '../size/ration-trip.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { fieldCard } from './field-card.js';
import { voltsTable } from './volts-table.js';

describe('the volts and the charge of a battery', () => {
  const table = (trip = kitTrip()) =>
    voltsTable(trip, lookUp(trip, kitShelf).carried, harnessReport(trip, kitShelf).expected);

  it('fall with the charge, key-down under listening, down to the reserve', () => {
    const rows = table()!;
    expect(rows.map(({ soc }) => soc)).toEqual([1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1]);
    rows.forEach((row, index) => {
      expect(row.keyDownV).toBeLessThan(row.receiveV);
      if (index > 0) expect(row.receiveV).toBeLessThan(rows[index - 1].receiveV);
    });
    expect(rows.at(-1)).toEqual(jasmine.objectContaining({ isReserve: true, hours: 0 }));
  });

  it('are open-circuit volts less the mean x polarisation and the current x ohmic resistance', () => {
    // Half full: 13.06 V; 20 mOhm by the mean of the work, 25 mOhm by 0.2 A (radio and relay), 1.26 times that at 12 C.
    const { workingA } = harnessReport(kitTrip(), kitShelf).expected;
    expect(table()![5].receiveV).toBeCloseTo(13.06 - workingA! * 0.02 * 1.26 - 0.2 * 0.025 * 1.26, 4);
  });

  it('know no table where a socket gives the same volts, nor without a battery', () => {
    expect(table(kitTrip({ loadout: [] }))).toBeNull();
  });

  it('keep another reserve', () => {
    const rows = table(kitTrip({ floorSoc: 0.25 }))!;
    expect(rows.slice(-2).map(({ soc }) => soc)).toEqual([0.3, 0.25]);
  });
});

describe('a field card', () => {
  it('has all that one takes along', () => {
    const trip = kitTrip();
    const found = rationOf(trip, kitShelf, USUAL_RATION_OPTIONS);
    const card = fieldCard(trip, kitShelf, found.ok ? found.value : null);
    expect(card.where).toBe('islet, 59.00 N 5.30 E, JO29pa');
    expect(card.when).toContain('6 h 00');
    expect(card.verdict).toMatch(/^Lasts in .* simulated outings\. The typical outing lasts past Sat 18:00/);
    expect(card.schedule).toEqual([
      ['Sat 13:00 to 15:00', 'CW 10 W', 'calling and running stations, duty cycle 50 %'],
    ]);
    expect(card.fuses).toEqual([['Shale to Curlew', '10 A']]);
    expect(card.ration.length).toBeGreaterThan(0);
    expect(card.cautions.join(' ')).toContain('Never charge it below 0 °C');
    expect(card.joining).toContain('Lay Frond face down');
    expect(card.wiring.groups.map(({ part }) => part)).toContain('curlew');
  });

  it('is made of an empty bag too', () => {
    const card = fieldCard(kitTrip({ loadout: [], blocks: [] }), kitShelf, null);
    expect(card).toEqual(jasmine.objectContaining({ volts: [], schedule: [], fuses: [] }));
    expect(card.verdict).toMatch(/^Add a radio.*Add a battery.*Add the hours/);
  });

  it('keeps to one page: many stretches are told to be in the plan', () => {
    const [block] = kitTrip().blocks;
    const start = Date.parse(kitTrip().start);
    const blocks = Array.from({ length: 30 }, (_, index) => ({
      ...block,
      id: `b${index}`,
      start: new Date(start + index * 600_000).toISOString(),
      end: new Date(start + (index + 1) * 600_000).toISOString(),
    }));
    expect(fieldCard(kitTrip({ blocks }), kitShelf, null).schedule.at(-1)).toEqual([
      '…',
      '17 more blocks',
      'in the plan',
    ]);
  });

  it('names the radio of each stretch where there are several, also two of one kind', () => {
    const [block] = kitTrip().blocks;
    const blocks = [block, { ...block, id: 'b2', station: 2 }, { ...block, id: 'b3', station: 3 }];
    const two = kitTrip().loadout.map((item) => (item.gear === 'curlew' ? { ...item, count: 2 } : item));
    const loadout = [...two, { gear: 'dunlin', count: 1 }];
    const card = fieldCard(kitTrip({ blocks, loadout }), kitShelf, null);
    expect(card.schedule.map(([, what]) => what)).toEqual([
      'Curlew CW 10 W',
      'Curlew CW 10 W',
      'Dunlin CW 10 W',
    ]);
    const pair = fieldCard(kitTrip({ blocks: blocks.slice(0, 2), loadout: two }), kitShelf, null);
    expect(pair.schedule[1][1]).toBe('Curlew CW 10 W');
    expect(fieldCard(kitTrip(), kitShelf, null).schedule[0][1]).toBe('CW 10 W');
  });

  it('says first what stops the plan, in Wire as well', () => {
    const weakFuse = kitShelf.map((gear) =>
      gear.kind === 'lead' && gear.wire ? { ...gear, wire: { ...gear.wire, fusesA: [1] } } : gear,
    );
    expect(fieldCard(kitTrip(), kitShelf, null).stops).toEqual([]);
    const { stops } = fieldCard(kitTrip(), weakFuse, null);
    expect(stops.length).toBe(1);
    expect(stops[0]).toContain('through a fuse of 1 A');
  });
});
