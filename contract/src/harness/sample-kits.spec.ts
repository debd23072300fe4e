import { RULES, type Check, type RuleName } from '@knapsack/core';
import { fieldCard } from '../card/field-card.js';
import { lookUp } from '../resolve/look-up.js';
import { assessTrip } from '../resolve/assess-trip.js';
import { readGear, readTrip } from '../schemas/read.js';
import { SAMPLE_KITS, type SampleKit } from '../testing/sample-kits.js';
import { applyRemedy } from './change-harness.js';
import { harnessReport } from './harness-report.js';

const said = ({ trip, gear }: SampleKit) =>
  harnessReport(trip, gear).checks.map(({ severity, rule, part }) => `${severity} ${rule} ${part}`);

describe('the sample kits', () => {
  it('are at least forty-seven kinds, made of documents that the schemas take', () => {
    expect(SAMPLE_KITS.length).toBeGreaterThanOrEqual(47);
    for (const { name, trip, gear } of SAMPLE_KITS) {
      expect(readTrip(trip).ok).withContext(name).toBeTrue();
      for (const item of gear) expect(readGear(item).ok).withContext(`${name}: ${item.id}`).toBeTrue();
      expect(lookUp(trip, gear).missing).withContext(name).toEqual([]);
    }
  });

  for (const kit of SAMPLE_KITS.filter(({ says }) => says)) {
    it(`have the list that an electrician would give: ${kit.name}`, () => {
      expect(said(kit).sort()).toEqual([...kit.says!].sort());
    });
  }

  it('have no stop where they are sound, and one where they are not', () => {
    for (const kit of SAMPLE_KITS) {
      const stops = said(kit).filter((line) => line.startsWith('stop'));
      expect(stops.length > 0)
        .withContext(`${kit.name}: ${stops.join(', ')}`)
        .toBe(!kit.sound);
    }
  });

  it('hear no rule in more than a third of those that are sound', () => {
    const sound = SAMPLE_KITS.filter((kit) => kit.sound);
    const counts = new Map<RuleName, number>();
    for (const { trip, gear } of sound) {
      const rules = new Set(harnessReport(trip, gear).checks.map(({ rule }) => rule));
      for (const rule of rules) counts.set(rule, (counts.get(rule) ?? 0) + 1);
    }
    expect(counts.size).toBeGreaterThan(3);
    for (const [rule, count] of counts) {
      expect(count)
        .withContext(`${RULES[rule].title} in ${count} of ${sound.length}`)
        .toBeLessThanOrEqual(sound.length / 3);
    }
  });

  it('heal by every remedy that is offered, and none goes in a circle', () => {
    const key = ({ rule, part }: Check) => `${rule} ${part}`;
    for (const { name, trip, gear } of SAMPLE_KITS) {
      const { checks } = harnessReport(trip, gear);
      const before = new Set(checks.map(key));
      for (const check of checks) {
        if (!check.remedy || check.part === null) continue;
        const mended = applyRemedy(trip, gear, check.part, check.remedy, 'put-in');
        const after = harnessReport(mended, gear).checks;
        const words = `${name}, ${key(check)}: ${check.remedy.description}`;
        expect(after.map(key)).withContext(words).not.toContain(key(check));
        const worse = after.filter((one) => one.severity === 'stop' && !before.has(key(one)));
        expect(worse.map(key)).withContext(words).toEqual([]);
      }
    }
  });

  it('join batteries as their chemistry and their use want it', () => {
    const order = (name: string) => {
      const { trip, gear } = SAMPLE_KITS.find((kit) => kit.name === name)!;
      return harnessReport(trip, gear)
        .joining.map(({ words }) => words)
        .join(' ');
    };
    expect(order('Two 6 Ah in parallel')).toContain('until its charger says so');
    expect(order('100 W on two 20 Ah AGM')).toContain('within 0.1 V');
    expect(order('100 W on two 20 Ah AGM')).not.toContain('charger says so');
    expect(order('Two 9 Ah one after the other over a switch')).toContain('only one battery at a time');
    expect(order('100 W on 20 Ah LiFePO4')).not.toContain('0.1 V');
  });

  it('say the same on the card, which never says lasts beside a stop', () => {
    for (const { name, trip, gear } of SAMPLE_KITS.filter(({ sound }) => !sound)) {
      const card = fieldCard(trip, gear, null);
      const { checks } = harnessReport(trip, gear);
      for (const { severity, sentence } of checks) {
        if (severity === 'stop') expect(card.stops).withContext(name).toContain(sentence);
        if (severity === 'look') expect(card.warnings).withContext(name).toContain(sentence);
      }
      expect(card.verdict.toLowerCase()).withContext(name).not.toContain('last');
    }
  });

  it('are carried through the forecast, each with an answer', () => {
    for (const kit of SAMPLE_KITS) {
      const { found, problems, status } = assessTrip(kit.trip, kit.gear);
      expect(found !== null || problems.length > 0)
        .withContext(kit.name)
        .toBeTrue();
      if (!kit.sound && found) expect(status).withContext(kit.name).toBe('stop');
    }
  });
});
