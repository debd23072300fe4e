import { headingsOf, ReadingsTable } from './readings-table.js';

const read = (content: string, zone = 'UTC') => {
  const [heading, ...lines] = content.split('\n');
  const table = ReadingsTable.begin(heading, zone);
  if (!table.ok) throw new Error(table.problems[0].sentence);
  for (const line of lines) table.value.take(`${line}\n`);
  const { readings, notes } = table.value.finish();
  return {
    rows: Array.from(readings.timesMs, (timeMs, index) => [
      timeMs,
      readings.volts[index],
      readings.amps[index],
    ]),
    notes,
  };
};

describe('a table of readings', () => {
  it('comes in any order of columns, units and separators', () => {
    expect(read('time_s,volts,amps\n0,13.2,0.14\n1,13.1,1.9').rows).toEqual([
      [0, 13.2, 0.14],
      [1000, 13.1, 1.9],
    ]);
    expect(read('Current (mA);Elapsed ms;Bus Voltage (mV)\n140;5;13200,5').rows).toEqual([
      [5, 13.2005, 0.14],
    ]);
    expect(read('V\tA\tt min\n12,8\t2\t1,5').rows).toEqual([[90_000, 12.8, 2]]);
    expect(read('Date,Voltage,Current\n2027-09-04 12:00:00,13,1', 'Europe/Oslo').rows).toEqual([
      [Date.UTC(2027, 8, 4, 10), 13, 1],
    ]);
    expect(read('time,voltage,current\n1:00:01.5,13,1').rows[0][0]).toBe(3_601_500);
  });

  it('takes the time as a clock of hours, minutes and seconds, and as nothing else that looks like one', () => {
    const at = (time: string) => read(`time;voltage;current\n${time};13;1`).rows.map(([timeMs]) => timeMs);
    expect(at('0:02:03')).toEqual([123_000]);
    expect(at('12:34:56')).toEqual([((12 * 60 + 34) * 60 + 56) * 1000]);
    expect(at('1:02:03,25')).toEqual([3_723_250]);
    expect(at('100:00:00')).toEqual([360_000_000]);
    for (const none of [
      '1:2:03',
      '1:02:3',
      '1:02:03x',
      'x1:02:03',
      '1:02:03.',
      '2027-9-4',
      'on 2027-09-04',
      '2027-09-4',
    ])
      expect(at(none)).withContext(none).toEqual([]);
  });

  it('leaves bad rows out, says which, and puts the rest in order of time', () => {
    const { rows, notes } = read('time,volts,amps\n2,13,2\n1,13,1\nx,13,1\n3,13,\n1,13,9\n');
    expect(rows.map(([timeMs, , amps]) => [timeMs, amps])).toEqual([
      [1000, 1],
      [2000, 2],
    ]);
    expect(notes).toEqual([
      'Left out of 5 rows: row 4 (x 13 1); row 5 (3 13 ).',
      '1 of the rows has the time of another; one row of each time was kept.',
    ]);
  });

  it('needs its headings', () => {
    const begun = ReadingsTable.begin('colour,size', 'UTC');
    expect(begun.ok ? '' : begun.problems[0].sentence).toContain('time and volts and amps cannot be found');
  });

  it('reads the columns that somebody says, in their units, where the headings do not tell', () => {
    const heading = 'Uhrzeit [s];PV Spannung [V];PV Strom [A];Batt. Spannung [V];Batt. Strom [mA];SOC [%]';
    const { words, found } = headingsOf(heading);
    expect(words[4]).toBe('Batt. Strom [mA]');
    expect(found).toEqual({ time: -1, volts: -1, amps: -1 });
    expect(ReadingsTable.begin(heading, 'UTC').ok).toBeFalse();
    const begun = ReadingsTable.begin(heading, 'UTC', { time: 0, timeMs: 60_000, volts: 3, amps: 4 });
    if (!begun.ok) throw new Error('not begun');
    begun.value.take('0;18,1;2,0;13,2;1500;80\n1;18,2;2,1;13,3;-250;81\n');
    const { readings } = begun.value.finish();
    expect([...readings.timesMs]).toEqual([0, 60_000]);
    expect([...readings.volts]).toEqual([13.2, 13.3]);
    expect([...readings.amps]).toEqual([1.5, -0.25]);
  });

  it('refuses columns that are none, or that are said to be two things', () => {
    for (const assigned of [
      { time: 0, timeMs: 1000, volts: 1, amps: 1 },
      { time: 0, timeMs: 1000, volts: 1, amps: 3 },
      { time: -1, timeMs: 1000, volts: 1, amps: 2 },
      { time: NaN, timeMs: 1000, volts: 1, amps: 2 },
    ]) {
      const begun = ReadingsTable.begin('a,b,c', 'UTC', assigned);
      expect(begun.ok ? '' : begun.problems[0].sentence).toContain('three different columns');
    }
  });

  it('knows the battery’s columns of a charge controller', () => {
    expect(headingsOf('Time,Battery voltage [V],Battery current [A],Load [W]').found).toEqual({
      time: 0,
      volts: 1,
      amps: 2,
    });
  });

  it('grows far beyond its first room', () => {
    const begun = ReadingsTable.begin('time,volts,amps', 'UTC');
    if (!begun.ok) throw new Error('not begun');
    const lines = Array.from({ length: 10_000 }, (_, index) => `${index},13,1\n`);
    for (let chunk = 0; chunk < 10; chunk++) {
      begun.value.take(
        lines.map((line, index) => line.replace(/^\d+/, String(chunk * 10_000 + index))).join(''),
      );
    }
    expect(begun.value.finish().readings.timesMs.length).toBe(100_000);
  });
});

describe('what is said of a table', () => {
  it('is nothing where all is well, and how many rows have a time twice', () => {
    expect(read('time_s,volts,amps\n0,13.2,0.14\n1,13.1,1.9').notes).toEqual([]);
    expect(read('time_s,volts,amps\n0,13.2,0.14\n0,13.1,1.9\n1,13,1').notes.join()).toContain(
      '1 of the rows has the time of another',
    );
  });

  it('names its headings where they are not understood, of long ones the beginning', () => {
    const wrong = (heading: string) => {
      const table = ReadingsTable.begin(heading, 'UTC');
      return table.ok ? '' : table.problems[0].sentence;
    };
    expect(wrong('time,volts')).toContain(
      'for time, volts and amps; amps cannot be found among “time,volts”',
    );
    const long = `time,${'x'.repeat(74)} ,${'y'.repeat(50)}`;
    expect(wrong(long)).toContain(`“time,${'x'.repeat(74)}”`);
  });
});
