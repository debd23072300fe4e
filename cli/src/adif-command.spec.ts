import { expectSentence, file, run } from './testing/run.js';

/** A contact every three minutes from 09:00 UTC, then from 11:00 in another mode. */
const LOG = [
  '<EOH>',
  ...[0, 3, 6, 9, 12].map((minute) => contact(`09${String(minute).padStart(2, '0')}`, 'CW')),
  ...[0, 6].map((minute) => contact(`11${String(minute).padStart(2, '0')}`, 'FT8')),
  '<QSO_DATE:8>20270904 <MODE:2>CW <EOR>',
].join('\n');
function contact(time: string, mode: string): string {
  return `<QSO_DATE:8>20270904 <TIME_ON:4>${time} <BAND:3>40m <MODE:${mode.length}>${mode} <CALL:5>Q1${time.slice(1)} <EOR>`;
}

interface Told {
  contacts: number;
  hoursOnAir: number;
  pauses: readonly { from: string; to: string }[];
  byMode: Record<
    string,
    { contacts: number; perHour: number; dutyCycle: { mean: number; sd: number } | null }
  >;
  leftOut: readonly { contact: number; why: string }[];
}
const told = async (...args: string[]) =>
  JSON.parse((await run('adif', file(LOG), '--json', ...args)).out) as Told;

describe('knapsack adif', () => {
  it('tells contacts, hours on the air, pauses, the duty cycle by mode, and what was left out', async () => {
    const { contacts, hoursOnAir, pauses, byMode, leftOut } = await told();
    expect(contacts).toBe(7);
    expect(hoursOnAir).toBeCloseTo(18 / 60, 9);
    expect(pauses).toEqual([{ from: '2027-09-04T09:12:00.000Z', to: '2027-09-04T11:00:00.000Z' }]);
    // Five in twelve minutes: 25 an hour of 18 s each.
    expect(byMode['CW'].perHour).toBeCloseTo(25, 9);
    expect(byMode['CW'].dutyCycle!.mean).toBeCloseTo((25 * 18) / 3600, 9);
    expect(byMode['CW'].dutyCycle!.sd).toBeCloseTo(0.2 * ((25 * 18) / 3600), 9);
    expect(leftOut).toEqual([{ contact: 8, why: 'has no time' }]);
  });

  it('counts what is called between contacts', async () => {
    const sent = (25 * 18) / 3600;
    expect((await told('--calling')).byMode['CW'].dutyCycle!.mean).toBeCloseTo(sent + 0.35 * (1 - sent), 9);
  });

  it('says it in words', async () => {
    const { out, code } = await run('adif', file(LOG));
    expect(code).toBe(0);
    expect(out.split('\n')).toEqual([
      '7 contacts in 0.3 h on the air, 1 pause.',
      'CW: 5, 25.0 an hour: duty cycle 13 % (10 to 15).',
      'FT8: 2, 20.0 an hour: duty cycle 18 % (14 to 21).',
      'Left out: contact 8 has no time.',
      '',
    ]);
  });

  it('has a sentence for a file that is no contact log', async () => {
    expectSentence(await run('adif', file('time,volts\n1,2')), 'no contact in this file');
    expectSentence(await run('adif', '/nowhere.adi'), 'There is no file');
  });
});
