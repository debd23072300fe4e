import type { PlannedLoads } from './harness-draws.js';

/** Loads as planned, with no more than so much power from the first radio. @param mostW W */
export const withMostPower = (loads: PlannedLoads, mostW: number): PlannedLoads => ({
  ...loads,
  blocks: loads.blocks.map((block) => ({ ...block, powerW: Math.min(block.powerW, mostW) })),
});

/**
 * The most power of the first radio, in whole watts below what is planned, at which a battery gives all that the kit takes with
 * its key down; null where none does. Found by halving, tried on the whole kit: a converter and lower volts bend what power costs.
 * Source: convention of this project.
 *
 * @param keyDownA what that battery has to give with loads as they are handed in, A
 * @param limitA what it may give, A
 */
export function allowedPower(
  loads: PlannedLoads,
  keyDownA: (loads: PlannedLoads) => number,
  limitA: number,
): number | null {
  const fits = (watts: number) => keyDownA(withMostPower(loads, watts)) <= limitA;
  const plannedW = loads.blocks.reduce((most, { powerW }) => Math.max(most, powerW), 0);
  let below = 0;
  let above = Math.ceil(plannedW);
  while (above - below > 1) {
    const middle = Math.floor((below + above) / 2);
    if (fits(middle)) below = middle;
    else above = middle;
  }
  return below === 0 ? null : below;
}
