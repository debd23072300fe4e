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
});
