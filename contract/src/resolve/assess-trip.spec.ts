import { shelf, trip } from '../testing/documents.js';
import type { Check } from '@knapsack/core';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { withSomeWeather } from '../weather/take-weather.js';
import { harnessReport } from '../harness/harness-report.js';
import { assessTrip, sayMissing } from './assess-trip.js';
import { planFindings, sayWarnings } from './plan-findings.js';

describe('a trip looked at in full', () => {
  it('has a chance, a mark by it, and no battery that would do where it meets its target', () => {
    const { status, found } = assessTrip(trip(), shelf);
    expect(status).toBe('fine');
    expect(found!.chance.chance).toBeGreaterThan(0.95);
    expect(found!.wouldDoAh).toBeUndefined();
  });

  it('says which battery of the kind would do, and that one does', () => {
    const small = trip({ startSoc: 0.15 });
    const { status, found } = assessTrip(small, shelf);
    expect(status).toBe('stop');
    const wanted = found!.wouldDoAh!;
    expect(wanted).toBeGreaterThan(10);
    const with_ = (ratedAh: number) =>
      assessTrip(
        small,
        shelf.map((gear) =>
          gear.kind === 'battery'
            ? { ...gear, ratedAh: { value: ratedAh, source: 'datasheet' as const } }
            : gear,
        ),
      );
    expect(with_(wanted).found!.chance.chance).toBeGreaterThanOrEqual(0.9);
    expect(with_(wanted - 1).found!.chance.chance).toBeLessThan(0.9);
  });

  it('has no verdict without a radio, a battery or hours, and asks for all that is missing', () => {
    const empty = assessTrip(trip({ loadout: [], blocks: [] }), shelf);
    expect(empty).toEqual({
      status: 'unknown',
      found: null,
      wire: null,
      missing: ['radio', 'battery', 'hours'],
      problems: [],
    });
    expect(sayMissing(empty.missing)).toContain('Add the hours in which you will operate.');
    expect(assessTrip(trip({ blocks: [] }), shelf).missing).toEqual(['hours']);
  });

  it('asks for a sky where a panel is carried, and for none without', () => {
    const { weather: _none, ...blind } = kitTrip();
    expect(assessTrip(blind, kitShelf).missing).toEqual(['sky']);
    expect(assessTrip(blind, kitShelf).status).toBe('unknown');
    const loadout = blind.loadout.filter(({ gear }) => gear !== 'frond' && gear !== 'rill');
    expect(assessTrip({ ...blind, loadout }, kitShelf).missing).toEqual([]);
    const { found } = assessTrip(withSomeWeather(blind), kitShelf);
    expect(found!.run.plan.assumed).toContain('sky: temperate, mild inland, autumn');
  });
});

describe('what Wire says of a trip', () => {
  const weakFuse = kitShelf.map((gear) =>
    gear.kind === 'lead' && gear.wire ? { ...gear, wire: { ...gear.wire, fusesA: [1] } } : gear,
  );

  it('is a stop of the plan where it is one there, whatever the chance', () => {
    expect(assessTrip(kitTrip(), kitShelf).status).toBe('fine');
    const { status, found, wire } = assessTrip(kitTrip(), weakFuse);
    expect(found!.chance.chance).toBeGreaterThan(0.9);
    expect(status).toBe('stop');
    const [first] = planFindings(found!.run.verdict, wire!);
    expect(first.severity).toBe('stop');
    expect(first.sentence).toContain('through a fuse of 1 A');
    const wired = harnessReport(kitTrip(), weakFuse).checks;
    const told = (checks: readonly Check[]) =>
      checks.map(({ rule, part, sentence }) => [rule, part, sentence]);
    expect(told(wire!.stops)).toEqual(told(wired.filter(({ severity }) => severity === 'stop')));
  });

  it('is counted where it is a warning', () => {
    const { status, wire } = assessTrip(kitTrip(), kitShelf);
    const looks = harnessReport(kitTrip(), kitShelf).checks.filter(({ severity }) => severity === 'look');
    expect(wire!.warnings).toBe(looks.length);
    expect(looks.length).toBeGreaterThan(0);
    expect(status).toBe('fine');
    expect([0, 1, 2].map((warnings) => sayWarnings({ stops: [], warnings }))).toEqual([
      '',
      '1 warning in Wire.',
      '2 warnings in Wire.',
    ]);
  });

  it('is not said twice where the forecast has found the same', () => {
    const weak = kitShelf.map((gear) =>
      gear.kind === 'battery' ? { ...gear, continuousA: { value: 0.5, source: 'datasheet' as const } } : gear,
    );
    const { found, wire } = assessTrip(kitTrip(), weak);
    expect(wire!.stops.map(({ rule }) => rule)).toContain('peak');
    const all = planFindings(found!.run.verdict, wire!).filter(({ severity }) => severity === 'stop');
    expect(all.map(({ code }) => code)).toEqual(['discharge-limit']);
  });
});
