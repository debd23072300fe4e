import { ReadingsTable } from './readings-table.js';

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
