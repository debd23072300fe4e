import type { Readings } from './readings.js';
import type { Reading } from './simulated-meter.js';

const FIRST_ROOM = 4096;

/** Readings as they come in, in arrays that grow by doubling; hours of ten a second stay cheap to add to. */
export class Recording {
  private times: Float64Array = new Float64Array(FIRST_ROOM);
  private currents: Float64Array = new Float64Array(FIRST_ROOM);
  private tensions: Float64Array = new Float64Array(FIRST_ROOM);
  private count = 0;

  /** A recording of readings that are there already. */
  static of({ timesMs, volts, amps }: Readings): Recording {
    const recording = new Recording();
    recording.times = timesMs;
    recording.tensions = volts;
    recording.currents = amps;
    recording.count = timesMs.length;
    return recording;
  }

  get length(): number {
    return this.count;
  }

  /** Adds a reading as a meter gives it; one that does not come after the last is passed over. */
  add(reading: Reading): void {
    if (this.count > 0 && reading.timeMs <= this.times[this.count - 1]) return;
    this.append(reading);
  }

  /** Adds a reading in whatever order it comes. */
  append({ timeMs, volts, amps }: Reading): void {
    if (this.count === this.times.length) this.grow();
    this.times[this.count] = timeMs;
    this.currents[this.count] = amps;
    this.tensions[this.count] = volts;
    this.count += 1;
  }

  /** All readings so far, without copying them. */
  readings(): Readings {
    return {
      timesMs: this.times.subarray(0, this.count),
      amps: this.currents.subarray(0, this.count),
      volts: this.tensions.subarray(0, this.count),
    };
  }

  private grow(): void {
    const larger = (values: Float64Array) => {
      const grown = new Float64Array(values.length * 2);
      grown.set(values);
      return grown;
    };
    this.times = larger(this.times);
    this.currents = larger(this.currents);
    this.tensions = larger(this.tensions);
  }
}
