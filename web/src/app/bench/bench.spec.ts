import type { Radio } from '@knapsack/contract';
import { ReadingsTable } from '@knapsack/contract/readings';
import { curlew } from '@knapsack/contract/testing/outing';
import { markFigures, savedOnto, type Mark, type MarkFigures, proposeMarks } from '@knapsack/contract/bench';
import { readingsCsv } from './readings-csv';
import { instantAt, traceColumns } from './trace';

describe('a recording as a file', () => {
  it('is read back as it was, with its times from its start', () => {
    const timesMs = Float64Array.from({ length: 20_500 }, (_, index) => 5000 + index * 100);
    const volts = timesMs.map((_, index) => 13 - (index % 7) / 100);
    const amps = timesMs.map((_, index) => (index % 5) / 10);
    const [heading, ...rows] = readingsCsv({ timesMs, volts, amps });
    const begun = ReadingsTable.begin(heading.trim(), 'UTC');
    if (!begun.ok) throw new Error(begun.problems[0].sentence);
    rows.forEach((piece) => begun.value.take(piece));
    const { readings, notes } = begun.value.finish();
    expect(notes).toEqual([]);
    expect(readings.timesMs.length).toBe(20_500);
    expect(readings.timesMs[20_499] - readings.timesMs[0]).toBe(2_049_900);
    expect([...readings.volts]).toEqual([...volts]);
    expect([...readings.amps]).toEqual([...amps]);
  });
});

describe('the drawing of a trace', () => {
  const timesMs = Float64Array.from({ length: 1000 }, (_, index) => index);
  const amps = timesMs.map((_, index) => (index === 537 ? 9 : 1));

  it('loses no peak, however thin it is drawn', () => {
    const { low, high } = traceColumns({ timesMs, amps, volts: amps }, 10);
    expect([...high]).toEqual([1, 1, 1, 1, 1, 9, 1, 1, 1, 1]);
    expect([...low].every((value) => value === 1)).toBeTrue();
    expect(
      Number.isNaN(
        traceColumns({ timesMs: amps.slice(0, 0), amps: amps.slice(0, 0), volts: amps }, 3).low[0],
      ),
    ).toBeTrue();
  });

  it('knows the instant under a share of its width', () => {
    expect(instantAt({ timesMs, amps, volts: amps }, 0.5)).toBeCloseTo(499.5, 9);
    expect(instantAt({ timesMs, amps, volts: amps }, 7)).toBe(999);
  });
});

describe('the proposal of marks', () => {
  /** Four readings a second, each stretch its mean and how far neighbours swing about it. */
  const trace = (parts: readonly { seconds: number; amps: number; swing: number }[]) => {
    const amps = Float64Array.from(
      parts.flatMap(({ seconds, amps: mean, swing }) =>
        Array.from({ length: seconds * 4 }, (_, index) => mean + (index % 2 ? swing : -swing)),
      ),
    );
    return { timesMs: amps.map((_, index) => index * 250), amps, volts: amps.map(() => 13) };
  };
  const RECEIVE = { seconds: 10, amps: 0.15, swing: 0.003 };
  const KEY_DOWN = { seconds: 8, amps: 1.92, swing: 0.003 };
  const kinds = (...parts: Parameters<typeof trace>[0]) =>
    proposeMarks(trace(parts), curlew, 10, 'SSB').map(({ kind }) => kind);

  it('tells receiving and key down by what the radio is known to draw', () => {
    expect(kinds(RECEIVE, KEY_DOWN, RECEIVE)).toEqual(['receive', 'keyDown', 'receive']);
  });

  it('takes what lies between, or moves near the top, for the mode in use', () => {
    expect(kinds(RECEIVE, { seconds: 9, amps: 0.8, swing: 0.05 }, RECEIVE)).toEqual([
      'receive',
      'SSB',
      'receive',
    ]);
    expect(kinds(RECEIVE, { seconds: 9, amps: 1.8, swing: 0.3 })).toEqual(['receive', 'SSB']);
  });

  it('makes one stretch of neighbours of one kind', () => {
    const marks = proposeMarks(
      trace([RECEIVE, { seconds: 9, amps: 0.6, swing: 0.01 }, { seconds: 9, amps: 1.1, swing: 0.01 }]),
      curlew,
      10,
      'CW',
    );
    expect(marks.map(({ kind, fromMs }) => [kind, fromMs])).toEqual([
      ['receive', 0],
      ['CW', 10_000],
    ]);
    expect(marks[1].toMs).toBe(27_750);
  });
});

describe('a marked stretch', () => {
  const mark: Mark = { id: 1, fromMs: 0, toMs: 10_000, kind: 'receive', powerW: 5 };
  const figures: MarkFigures = {
    seconds: 10,
    readings: 50,
    meanA: 0.123456,
    spreadA: 0.004,
    peakA: 0.2,
    meanV: 13,
    ampereHours: 0,
    wattHours: 0,
    share: null,
    factor: null,
  };
  const saved = (change: Partial<Mark>, more: Partial<MarkFigures> = {}): Radio => {
    const radio = savedOnto(curlew, { ...mark, ...change }, { ...figures, ...more }, '2027-05-02');
    if (typeof radio === 'string') throw new Error(radio);
    return radio;
  };

  it('becomes a measured figure with its day and spread, the old one its history', () => {
    expect(saved({}).receiveA).toEqual({
      value: 0.1235,
      source: 'measured',
      date: '2027-05-02',
      spread: 0.004,
      others: [{ value: 0.14, source: 'measured' }],
    });
    expect(saved({ kind: 'byEar' }).receiveByEarA?.value).toBe(0.1235);
  });

  it('takes the place of what was measured at that power, and leaves the sheet’s', () => {
    const sheet = {
      ...curlew,
      transmit: [...curlew.transmit, { rfW: 5, amps: 2, source: 'datasheet' } as const],
    };
    const radio = savedOnto(
      sheet,
      { ...mark, kind: 'keyDown' },
      { ...figures, meanA: 1.3 },
      '2027-05-02',
    ) as Radio;
    expect(radio.transmit.filter(({ rfW }) => rfW === 5)).toEqual([
      { rfW: 5, amps: 2, source: 'datasheet' },
      {
        rfW: 5,
        amps: 1.3,
        source: 'measured',
        date: '2027-05-02',
        spread: 0.004,
        others: [{ value: 1.4, source: 'measured' }],
      },
    ]);
  });

  it('gives the mode its own factor, once', () => {
    const once = saved({ kind: 'SSB' }, { factor: 0.3456, share: 0.3 });
    expect(once.overs).toEqual([{ mode: 'SSB', factor: 0.346, source: 'measured' }]);
  });

  it('says what it cannot tell', () => {
    const said = (change: Partial<Mark>, more: Partial<MarkFigures>) =>
      savedOnto(curlew, { ...mark, ...change }, { ...figures, ...more }, '2027-05-02');
    expect(said({ kind: 'keyDown' }, { meanA: 0.1 })).toContain('Was the key down');
    expect(said({ kind: 'CW' }, { factor: null })).toContain('no over');
    expect(said({}, { readings: 0 })).toContain('no readings');
  });

  it('of a mode tells its share and factor against the radio’s own levels', () => {
    const timesMs = Float64Array.from({ length: 100 }, (_, index) => index * 200);
    const amps = timesMs.map((_, index) => (index < 40 ? 1.9 : 0.14));
    const read = markFigures(
      { ...mark, kind: 'FM', toMs: 20_000, powerW: 10 },
      { timesMs, amps, volts: amps },
      curlew,
    );
    expect(read.share).toBeCloseTo(0.4, 2);
    expect(read.factor).toBeCloseTo(1, 2);
  });
});
