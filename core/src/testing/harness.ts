import type { CheckedPack, HarnessFacts } from '../checks/facts.js';
import { UNKNOWN_CABLE_RUN, type HarnessPart, type CableRun, type PartKind } from '../harness/harness.js';
import type { HarnessFlow } from '../harness/cable-run-figures.js';

/** A part of a harness with nothing said of its run but what is given. */
export const part = (
  id: string,
  kind: PartKind,
  from: string | null,
  run: Partial<CableRun> = {},
): HarnessPart => ({
  id,
  kind,
  name: id,
  from,
  run: from === null ? null : { ...UNKNOWN_CABLE_RUN, ...run },
  connectors: [],
});

/** So much copper. */
export const copper = (areaMm2: number, lengthM: number, contactPairs = 0): Partial<CableRun> => ({
  wire: { size: { awg: null, areaMm2 }, lengthM, contactPairs, bundled: false },
});

/** Nothing flows yet. */
export const still = (more: Partial<HarnessFlow> = {}): HarnessFlow => ({
  draws: new Map(),
  charging: new Map(),
  lowV: { receive: 12.8, keyDown: 12.6 },
  sources: new Map(),
  inParallel: false,
  temperatureC: 20,
  ...more,
});

/** What parts draw, A: a tenth of it while they receive; and what comes from the sun, A. */
export const flowOf = (
  draws: Readonly<Record<string, number>>,
  charging: Readonly<Record<string, number>> = {},
) => ({
  draws: new Map(
    Object.entries(draws).map(([id, amps]) => [id, { receiveA: amps / 10, keyDownA: amps, safeForA: amps }]),
  ),
  charging: new Map(
    Object.entries(charging).map(([id, amps]) => [
      id,
      { meanA: amps / 2, mostA: amps, safeForA: 1.25 * amps, feedV: 13 },
    ]),
  ),
  lowV: { receive: 12.8, keyDown: 12.6 },
  sources: new Map(),
  inParallel: false,
  temperatureC: 20,
});

/** A sound battery of 18 Ah. */
export const checkedPack = (more: Partial<CheckedPack> = {}): CheckedPack => ({
  part: 'battery',
  name: 'battery',
  chemistry: 'lifepo4',
  cellsInSeries: 4,
  health: 1,
  meanA: 0.6,
  keyDownA: 4,
  continuousA: 10,
  peakA: 20,
  protects: true,
  hasSocket: false,
  capacityAh: 18,
  wattHours: 230,
  soc: 1,
  lowestSoc: null,
  ofCells: false,
  ...more,
});

/** Facts with nothing to be found in them. */
export const factsOf = (more: Partial<HarnessFacts> = {}): HarnessFacts => ({
  flow: still(),
  packs: [],
  inParallel: true,
  radios: [],
  controllers: [],
  inputs: [],
  panels: [],
  hasCharger: false,
  chargers: [],
  startUps: [],
  inverters: [],
  disconnects: [],
  coldC: 12,
  hotC: 18,
  temperatureC: 15,
  isUnattended: false,
  byAir: false,
  getsToDropout: false,
  storedDays: 0,
  standingA: 0,
  missing: [],
  suspended: null,
  ...more,
});
