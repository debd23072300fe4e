import fc from 'fast-check';
import { adifRecords, readAdif, type AdifRead } from './adif.js';
import { bandOfMHz } from './amateur-bands.js';

const FIRST = '<CALL:5>Q1ABC <QSO_DATE:8>20270904 <TIME_ON:4>0910 <BAND:3>40M <MODE:2>CW <EOR>';
const AT = Date.UTC(2027, 8, 4, 9, 10);
function read(text: string): AdifRead {
  const file = readAdif(text);
  if (!file.ok) throw new Error(file.problems[0].sentence);
  return file.value;
}
const only = (text: string) => {
  const { contacts, leftOut } = read(text);
  expect(leftOut).toEqual([]);
  expect(contacts.length).toBe(1);
  return contacts[0];
};
const why = (text: string) => read(`${FIRST}\n${text}`).leftOut.map((one) => `${one.contact} ${one.why}`);
const record = (fields: Readonly<Record<string, string>>) =>
  `${Object.entries(fields)
    .map(([name, data]) => `<${name}:${data.length}>${data}`)
    .join(' ')} <EOR>`;

describe('a contact log in ADIF', () => {
  it('is read with a header or without, fields in any order and case', () => {
    const expected = { timeMs: AT, mode: 'CW' as const, modeName: 'CW', band: '40m' };
    expect(only(`A log\n<ADIF_VER:5>3.1.4\n<EOH>\n${FIRST}`)).toEqual(expected);
    expect(only(FIRST)).toEqual(expected);
    expect(only('<mode:2>cw<time_on:6>091000<band:3>40m<qso_date:8:d>20270904<eor>')).toEqual(expected);
    expect(only(`\uFEFFx<eoh>\r\n${FIRST.replaceAll(' ', '\r\n')}\r\n`)).toEqual(expected);
  });

  it('may have remarks, signs of tags within fields, and fields that nobody knows', () => {
    const text = `<EOH> // mine
      ${record({ COMMENT: 'a <b> 5<6 c>d', QSO_DATE: '20270904', TIME_ON: '0910', APP_X_Y: '1', MODE: 'CW' })}
      # the end`;
    expect(only(text).timeMs).toBe(AT);
    expect(only(FIRST.replace(' <EOR>', ''))).toEqual(only(FIRST));
    expect(only(FIRST.replace('<BAND:3>40M', '<BAND:3>40M rubbish after it')).band).toBe('40m');
    expect(only(FIRST.replace('<BAND:3>40M', '<BAND:0><NOTES>')).band).toBe('');
  });

  it('counts lengths in characters, or in bytes', () => {
    const rest = '<QSO_DATE:8>20270904<TIME_ON:4>0910<MODE:2>CW<EOR>';
    expect(only(`<NAME:6>J\u00f6rgen${rest}`).timeMs).toBe(AT);
    expect(only(`<NAME:7>J\u00f6rgen${rest}`).timeMs).toBe(AT);
    expect(only(`<QSO_DATE:8>20270904<TIME_ON:4>0910<NAME:7>J\u00f6rgen<MODE:2>CW<EOR>`).mode).toBe('CW');
    expect([...adifRecords('<NAME:7>J\u00f6rgen')][0]!.get('NAME')).toBe('J\u00f6rgen');
  });

  it('leaves out what has a wrong length and reads on', () => {
    for (const broken of ['99', 'x', '', '9999999'])
      expect(
        why(
          `<CALL:${broken}>Q1AB<QSO_DATE:8>20270904<TIME_ON:4>0911<EOR>${record({ QSO_DATE: '20270904', TIME_ON: '0912', MODE: 'CW' })}`,
        ),
      )
        .withContext(broken)
        .toEqual(['2 has a field of the wrong length']);
  });

  it('leaves out what has no time, none that is, or stands twice', () => {
    expect(why(record({ QSO_DATE: '20270904' }))).toEqual(['2 has no time']);
    expect(why(record({ TIME_ON: '0910' }))).toEqual(['2 has no date']);
    for (const [QSO_DATE, TIME_ON] of [
      ['20270931', '0910'],
      ['20271304', '0910'],
      ['2027', '0910'],
      ['20270904', '2460'],
      ['20270904', '9:10'],
    ])
      expect(why(record({ QSO_DATE, TIME_ON }))[0])
        .withContext(`${QSO_DATE} ${TIME_ON}`)
        .toContain('2 has no such time');
    expect(why(FIRST)).toEqual(['2 stands in the file twice']);
  });

  it('knows modes by their other names and bands by their frequency', () => {
    const of = (fields: Readonly<Record<string, string>>) =>
      only(record({ QSO_DATE: '20270904', TIME_ON: '0910', ...fields }));
    expect(of({ MODE: 'MFSK', SUBMODE: 'FT4' }).mode).toBe('FT4');
    expect(of({ MODE: 'SSB', SUBMODE: 'USB' }).mode).toBe('SSB');
    expect(of({ MODE: 'usb' }).mode).toBe('SSB');
    expect(of({ MODE: 'constructor' })).toEqual(
      jasmine.objectContaining({ mode: null, modeName: 'CONSTRUCTOR' }),
    );
    expect(of({ MODE: 'CW', FREQ: '7.032' }).band).toBe('40m');
    expect(of({ MODE: 'CW', FREQ: '7,032' }).band).toBe('');
    expect(of({ MODE: 'CW' }).band).toBe('');
    expect(['14.06', '145.5', '1'].map((mhz) => bandOfMHz(Number(mhz)))).toEqual(['20m', '2m', null]);
  });

  it('has an end where the log says so, over midnight too', () => {
    const of = (fields: Readonly<Record<string, string>>) => {
      const { timeMs, endMs } = only(
        record({ QSO_DATE: '20270904', TIME_ON: '2350', MODE: 'CW', ...fields }),
      );
      return endMs === undefined ? null : (endMs - timeMs) / 60_000;
    };
    expect(of({ TIME_OFF: '2355' })).toBe(5);
    expect(of({ TIME_OFF: '0005' })).toBe(15);
    expect(of({ TIME_OFF: '0005', QSO_DATE_OFF: '20270905' })).toBe(15);
    expect(of({ TIME_OFF: '2340' })).toBeNull();
    expect(of({ TIME_OFF: '99' })).toBeNull();
  });

  it('of nothing, or of far too much, is refused with a sentence', () => {
    const sentence = (text: string, onRead?: (count: number) => boolean) => {
      const file = readAdif(text, onRead);
      return file.ok ? '' : file.problems[0].sentence;
    };
    expect(sentence('')).toContain('no contact in this file');
    expect(sentence('time,call\n1,2')).toContain('no contact in this file');
    expect(sentence('<EOH>\n<EOR>')).toContain('no contact in this file');
    expect(sentence('<A:1>b<EOR>'.repeat(100_001))).toContain('more than 100000');
    const told: number[] = [];
    const many = '<A:1>b<EOR>'.repeat(5000);
    expect(sentence(many, (count) => told.push(count) < 2)).toContain('stopped');
    expect(told).toEqual([1000, 2000]);
  });

  it('never throws, and reads what it wrote', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 300 }), (text) => {
        expect(() => readAdif(text)).not.toThrow();
      }),
    );
    const fields = fc.dictionary(fc.stringMatching(/^[A-Z]{3,8}$/), fc.string({ maxLength: 30 }), {
      minKeys: 1,
    });
    fc.assert(
      fc.property(fields, (drawn) => {
        const all = Object.entries(drawn).filter(
          ([name, data]) => name !== 'EOR' && name !== 'EOH' && !/<\s*eo[rh]\s*>/i.test(data),
        );
        if (all.length === 0) return;
        const [found] = adifRecords(`<EOH>${record(Object.fromEntries(all))}`);
        expect(new Map(found)).toEqual(new Map(all));
      }),
    );
  });
});

describe('what people write into a log', () => {
  it('may have spaces in the mark of the header’s end, as in that of a record', () => {
    const expected = { timeMs: AT, mode: 'CW' as const, modeName: 'CW', band: '40m' };
    for (const end of ['< eoh >', '<  EOH>', '<eoh  >'])
      expect(only(`<X:1>y ${end}\n${FIRST}`)).toEqual(expected);
  });

  it('is no time where the month or the day is none', () => {
    const at = (date: string) => why(record({ CALL: 'Q1ABC', QSO_DATE: date, TIME_ON: '0910', MODE: 'CW' }));
    expect(at('20270104')).toEqual([]);
    expect(at('20271204')).toEqual([]);
    for (const date of ['20270004', '20271304', '20270931', '20270900']) expect(at(date)).toHaveSize(1);
  });
});
