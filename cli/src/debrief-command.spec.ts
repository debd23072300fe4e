import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO, expectSentence, file, newFolder, run } from './testing/run.js';

const TRIP = join(DEMO, 'trips/gannet-rock-light.json');
const LOG = join(DEMO, 'logs/gannet-rock-light.json');

interface Told {
  waterfall: { plannedAh: number; actualAh: number; steps: readonly { what: string; ah: number }[] };
  learned: Record<string, { before: { mean: number; sd: number }; after: { mean: number; sd: number } }>;
  contacts: { contacts: number; hoursOnAir: number; dutyCycle: Record<string, { mean: number }> } | null;
  notes: readonly string[];
  leftOut: readonly unknown[];
  corrections: readonly {
    place: { at: string; mode?: string };
    before: { mean: number };
    after: { mean: number };
  }[];
}
const told = async (...args: string[]) =>
  JSON.parse((await run('debrief', TRIP, LOG, '--json', ...args)).out) as Told;
const contact = (time: string, day = '20270904') =>
  `<QSO_DATE:8>${day} <TIME_ON:4>${time} <BAND:3>40m <MODE:2>CW <CALL:5>Q1${time.slice(1)} <EOR>`;

describe('knapsack debrief', () => {
  it('tells planned and actual use in steps that sum up, and what was learned', async () => {
    const { waterfall, learned, contacts } = await told();
    const sum = waterfall.steps.reduce((all, { ah }) => all + ah, 0);
    expect(Math.abs(sum - (waterfall.actualAh - waterfall.plannedAh))).toBeLessThan(1e-9);
    expect(learned['dutyCycle.FT8'].after.sd).toBeLessThan(learned['dutyCycle.FT8'].before.sd);
    // The sky was duller than forecast, while the battery was full.
    const ah = (what: string) => waterfall.steps.find((step) => step.what === what)!.ah;
    expect(ah('sunOffered')).toBeGreaterThan(1);
    expect(ah('sunNotTaken')).toBeLessThan(-1);
    expect(contacts).toBeNull();
  });

  it('takes a contact log, and what an instrument recorded', async () => {
    const adif = file(
      [contact('1000'), contact('1006'), contact('1012'), contact('1000', '20270801')].join('\n'),
    );
    const days = join(newFolder(), 'days.csv');
    writeFileSync(days, 'day,Ah in,peak W,lowest V,highest V\n2027-09-04,1.20,31,12.90,14.20\n');
    const found = await told('--adif', adif, '--meter', days);
    expect(found.contacts!.contacts).toBe(3);
    // In most of the hours that are planned in CW stations are called and run.
    const sent = (15 * 18) / 3600;
    expect(found.contacts!.dutyCycle['CW'].mean).toBeGreaterThan(sent + 0.1);
    expect((await told('--adif', adif, '--calling')).contacts!.dutyCycle['CW'].mean).toBeCloseTo(
      sent + 0.35 * (1 - sent),
      9,
    );
    expect(found.notes.join(' ')).toContain('1 contact is of another time');
    expect(found.waterfall.actualAh).not.toBe((await told()).waterfall.actualAh);
  });

  it('says it in words', async () => {
    const { out, code } = await run('debrief', TRIP, LOG);
    expect(code).toBe(0);
    expect(out).toMatch(
      /^Planned \d+\.\d\d Ah out of the battery, actual \d+\.\d\d Ah: \d+\.\d\d Ah (more|less)\.\n/,
    );
    expect(out).toContain('  what the sun offered: ');
    // Figure for figure what the data says of the duty cycle.
    const { corrections } = await told();
    const duties = corrections.filter(({ place }) => place.at === 'duty');
    expect(duties.length).toBeGreaterThan(0);
    for (const { place, before, after } of duties) {
      const [was, is] = [before, after].map(({ mean }) => `${Math.round(100 * mean)} %`);
      const words = `: the transmit duty cycle is ${is}, ${was === is ? 'as planned' : `not ${was}`}.`;
      expect(out.split('\n').some((line) => line.startsWith(`${place.mode}, `) && line.endsWith(words)))
        .withContext(`${place.mode}${words}`)
        .toBeTrue();
    }
  });

  it('has a sentence for a log of another trip, an empty one, and files that are none', async () => {
    const other = file(JSON.stringify({ schema: 'knapsack.log', version: 1, trip: 'other', entries: [] }));
    expectSentence(await run('debrief', TRIP, other), 'is the log of “other”');
    const empty = file(
      JSON.stringify({ schema: 'knapsack.log', version: 1, trip: 'gannet-rock-light', entries: [] }),
    );
    expectSentence(await run('debrief', TRIP, empty), 'its log is empty');
    expectSentence(await run('debrief', TRIP, LOG, '--adif', file('x')), 'no contact in this file');
    expectSentence(await run('debrief', TRIP, LOG, '--meter', file('x')), 'no line of an instrument');
  });
});
