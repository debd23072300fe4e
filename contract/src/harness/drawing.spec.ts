import type { Trip } from '../documents/trip.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { billCsv, billOf } from './bill.js';
import { harnessDrawing } from './drawing.js';
import { harnessReport } from './harness-report.js';
import type { Box } from './layout.js';
import { svgOf } from './svg.js';

const drawn = (trip: Trip, direction: 'across' | 'down' = 'across') =>
  harnessDrawing(harnessReport(trip, kitShelf), direction);
const overlap = (a: Box, b: Box) =>
  Math.abs(a.x - b.x) < (a.width + b.width) / 2 && Math.abs(a.y - b.y) < (a.height + b.height) / 2;

describe('the drawing of a harness', () => {
  it('has a group for each part and each run, and nothing lies on anything else', () => {
    for (const direction of ['across', 'down'] as const) {
      const { groups, width, height } = drawn(kitTrip(), direction);
      expect(groups.filter(({ on }) => on === 'part').length).toBe(5);
      expect(groups.filter(({ on }) => on === 'run').length).toBe(4);
      groups.forEach(({ box }, index) => {
        for (const other of groups.slice(index + 1)) expect(overlap(box, other.box)).toBe(false);
        expect(box.x - box.width / 2).toBeGreaterThanOrEqual(0);
        expect(box.x + box.width / 2).toBeLessThanOrEqual(width);
        expect(box.y + box.height / 2).toBeLessThanOrEqual(height);
      });
    }
  });

  it('says on a run what it is made of, what flows and what is lost', () => {
    const radio = drawn(kitTrip()).groups.find(({ part, on }) => part === 'curlew' && on === 'run')!;
    // 0.14 A and 1.9 A on 0.6 m of 2.5 mm2 with two contact pairs and a 10 A fuse.
    expect(radio.words).toContain('0.6 m · 2.5 mm²');
    expect(radio.words).toContain('10 A blade fuse');
    expect(radio.words).toMatch(/1\.90 A {2}−0\.0\d V/);
  });

  it('says of a load which volts reach it, listening and with the key down, the battery at the lowest that the plan reaches', () => {
    const radio = drawn(kitTrip({ startSoc: 0.1 })).groups.find(
      ({ part, on }) => part === 'curlew' && on === 'part',
    )!;
    // 12.75 V at a tenth, less 0.2 and 1.96 A on 57 mOhm of cells and 0.14 and 1.9 A on 17 mOhm of cable.
    expect(radio.words).toMatch(/^Curlew, radio 12\.7\d … 12\.6\d V/);
    // A plan that hardly draws on it never gets there.
    const full = drawn(kitTrip()).groups.find(({ part, on }) => part === 'curlew' && on === 'part')!;
    expect(full.words).toMatch(/^Curlew, radio 13\.\d\d … 13\.\d\d V/);
    const panel = drawn(kitTrip()).groups.find(({ part, on }) => part === 'frond' && on === 'part')!;
    expect(panel.words).toBe('Frond, panel');
  });

  it('marks a broken rule on the drawing itself', () => {
    const broken = drawn(kitTrip({ harness: { runs: [{ to: 'curlew', fuseA: 0 }] } }));
    const radio = broken.groups.find(({ part, on }) => part === 'curlew' && on === 'run')!;
    expect(radio.worst).toBe('stop');
    expect(radio.shapes.some(({ look }) => look === 'stop')).toBe(true);
  });

  it('marks what has to be looked at, and nothing that is worth a note alone', () => {
    const groups = drawn(kitTrip()).groups;
    const report = harnessReport(kitTrip(), kitShelf);
    for (const on of ['part', 'run'] as const) {
      for (const group of groups.filter((one) => one.on === on)) {
        const here = report.checks.filter((check) => check.part === group.part && check.on === on);
        const graver = here.map(({ severity }) => severity).filter((severity) => severity !== 'note');
        expect(group.worst)
          .withContext(`${group.part} ${on}`)
          .toBe(graver[0] ?? null);
        const signs = group.shapes.filter(({ look }) => look === 'stop' || look === 'look').length;
        expect(signs)
          .withContext(`${group.part} ${on}`)
          .toBe(graver.length > 0 ? 1 : 0);
      }
    }
    // There is something of each kind in it.
    expect(groups.some(({ worst }) => worst !== null)).toBeTrue();
  });

  it('says what flows, and of a loss or of volts that nobody knows nothing', () => {
    const unknown = drawn(
      kitTrip({ loadout: kitTrip().loadout.filter(({ gear }) => gear !== 'short-lead') }),
    );
    const run = unknown.groups.find(({ part, on }) => part === 'curlew' && on === 'run')!;
    expect(run.words).toContain('not entered');
    expect(run.words).toMatch(/1\.90 A(?! {2}−)/);
    const radio = unknown.groups.find(({ part, on }) => part === 'curlew' && on === 'part')!;
    expect(radio.words).toBe('Curlew, radio');
    const missing = drawn(kitTrip({ loadout: [] })).groups.filter(({ on }) => on === 'part');
    expect(missing.map(({ words }) => words)).toEqual([
      jasmine.stringContaining('no battery in the bag, a gap'),
      jasmine.stringContaining('no radio in the bag, a gap'),
    ]);
  });

  it('draws a kit with parts missing, the gap shown', () => {
    const { groups } = drawn(kitTrip({ loadout: [] }));
    expect(groups.flatMap(({ shapes }) => shapes).filter(({ look }) => look === 'gap').length).toBe(2);
  });

  it('as an SVG stands alone and escapes what people type', () => {
    const text = svgOf(drawn(kitTrip()), 'a <b> & "c"');
    expect(text).toContain('<title>a &#60;b&#62; &#38; &#34;c&#34;</title>');
    expect(text).toContain('xmlns="http://www.w3.org/2000/svg"');
    expect(text).not.toContain('NaN');
  });
});

describe('the bill of a harness', () => {
  it('counts what is alike, and adds its lengths up', () => {
    const trip = kitTrip({
      harness: {
        runs: [
          { to: 'relay', lengthM: 0.4, areaMm2: 2.5, fuseA: 10 },
          { to: 'rill', lengthM: 0.3, areaMm2: 2.5 },
        ],
      },
    });
    const rows = billOf(harnessReport(trip, kitShelf));
    const wire = rows.find(({ what }) => what === 'two-core wire')!;
    expect([wire.count, wire.detail]).toEqual([3, '2.5 mm²']);
    expect(wire.lengthM).toBeCloseTo(1.3, 9);
    expect(rows.find(({ detail }) => detail === '10 A')?.count).toBe(2);
  });

  it('as CSV has a header, and quotes what needs it', () => {
    const row = { what: 'radio', detail: 'a "b", c', count: 1, lengthM: null, where: '' };
    expect(billCsv([row])).toBe('what,detail,count,length_m,where\nradio,"a ""b"", c",1,,\n');
  });
});
