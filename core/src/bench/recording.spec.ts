import { Recording } from './recording.js';

describe('a recording', () => {
  it('keeps every reading in order, far beyond its first room, and passes over what comes late', () => {
    const recording = new Recording();
    for (let index = 0; index < 20_000; index++)
      recording.add({ timeMs: index * 100, volts: 13, amps: index });
    recording.add({ timeMs: 5, volts: 0, amps: 0 });
    const { timesMs, amps } = recording.readings();
    expect(recording.length).toBe(20_000);
    expect([timesMs[19_999], amps[19_999]]).toEqual([1_999_900, 19_999]);
  });

  it('begins at whatever time, and takes one reading of an instant', () => {
    const recording = new Recording();
    for (const [timeMs, amps] of [
      [-5, 1],
      [-5, 2],
      [-4, 3],
    ])
      recording.add({ timeMs, volts: 13, amps });
    expect([...recording.readings().amps]).toEqual([1, 3]);
    recording.append({ timeMs: -9, volts: 12, amps: 4 });
    expect([...recording.readings().timesMs]).toEqual([-5, -4, -9]);
  });

  it('of readings that are there is those, and goes on after them', () => {
    const timesMs = Float64Array.of(0, 100, 200);
    const recording = Recording.of({
      timesMs,
      volts: timesMs.map(() => 13),
      amps: timesMs.map((ms) => ms / 100),
    });
    expect(recording.length).toBe(3);
    expect([...recording.readings().amps]).toEqual([0, 1, 2]);
    recording.add({ timeMs: 300, volts: 12, amps: 9 });
    const { amps, volts } = recording.readings();
    expect([amps[3], volts[3], volts[2]]).toEqual([9, 12, 13]);
  });
});
