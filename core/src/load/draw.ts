/**
 * What something takes at the battery: amps whatever the volts (a radio), and watts, which take more amps as the volts
 * fall (a converter), converter losses included.
 */
export interface Draw {
  readonly amps: number;
  readonly watts: number;
}

export const NO_DRAW: Draw = { amps: 0, watts: 0 };

/** Current at the battery's volts, A. */
export const ampsAt = ({ amps, watts }: Draw, volts: number): number => amps + watts / volts;

/** A draw some times over. */
export const timesDraw = ({ amps, watts }: Draw, times: number): Draw => ({
  amps: amps * times,
  watts: watts * times,
});

/** A draw for a share of the time and another for the rest. */
export const mixedDraw = (a: Draw, share: number, b: Draw): Draw => ({
  amps: share * a.amps + (1 - share) * b.amps,
  watts: share * a.watts + (1 - share) * b.watts,
});
