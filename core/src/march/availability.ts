/** How much of the wanted time unattended gear was up. */
export interface Availability {
  /** Of the wanted hours, 0 to 1; 1 where none is wanted. */
  readonly share: number;
  readonly wantedHours: number;
  /** Stretches in which it was down; those less than half an hour apart count as one. */
  readonly outages: number;
  /** The longest of them, h by the clock. */
  readonly longestH: number;
  /** Hours from the start until the first; null where there is none. */
  readonly firstH: number | null;
}

/** Outages less apart than this are one, h. */
const APART_HOURS = 0.5;
/** Less than this of a step is rounding, h. */
const NOTHING_HOURS = 1e-9;

/**
 * Reads it off the steps. Hours in which nothing is wanted count for nothing, and end no outage. Source: convention of this
 * project, docs/model.md.
 *
 * @param hours length of each step, h
 * @param wanted 1 for steps in which it should be up
 * @param upHours how much of each of them it was, h
 */
export function availabilityOf(
  hours: Float64Array,
  wanted: Uint8Array,
  upHours: Float64Array | Float32Array,
): Availability {
  let [at, wantedHours, up, outages, longestH, outage] = [0, 0, 0, 0, 0, 0];
  let firstH: number | null = null;
  /** Up since the last outage, h, and the clock since then. */
  let [upSince, since] = [Infinity, 0];
  for (let step = 0; step < hours.length; at += hours[step], step++) {
    if (!wanted[step]) {
      since += hours[step];
      continue;
    }
    wantedHours += hours[step];
    up += upHours[step];
    const down = hours[step] - upHours[step];
    if (down <= NOTHING_HOURS) {
      upSince += hours[step];
      since += hours[step];
      continue;
    }
    if (upSince >= APART_HOURS) {
      outages += 1;
      outage = 0;
      // It goes down within the step.
      firstH ??= at + upHours[step];
    } else outage += since;
    outage += down;
    longestH = Math.max(longestH, outage);
    [upSince, since] = [0, 0];
  }
  return { share: wantedHours > 0 ? up / wantedHours : 1, wantedHours, outages, longestH, firstH };
}
