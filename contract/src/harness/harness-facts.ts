import {
  coldOpenCircuitVolts,
  CONVERTERS,
  heldLonger,
  HOUR_MS,
  insideDip,
  joined,
  openCircuitVolts,
  packAt,
  partsBelow,
  type CheckedPack,
  type Forecast,
  type HarnessFacts,
  type HarnessFlow,
  type HarnessPart,
} from '@knapsack/core';
import type { Battery, ControllerGear, Station } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { isKind, type Carried } from '../resolve/look-up.js';
import { panelLabel } from '../resolve/panel-label.js';
import { floorOf, packLabelOf } from '../resolve/resolve-packs.js';
import { coldest } from '../resolve/resolve-sun.js';
import { stationRadios } from '../resolve/resolve-stations.js';
import { batteryPieces } from './battery-pieces.js';
import { singlePieces } from './single-pieces.js';
import { harnessCharging, harnessDraws } from './harness-draws.js';
import { NO_BATTERY, NO_CONTROLLER, NO_RADIO } from './harness-of.js';
import { radioParts } from './lost-with.js';

/** Rises that are heard: one S-unit, or half of one in dB. */
const HEARD = { S: 1, dB: 3 } as const;
/** Volts that a harness without a battery is reckoned at. */
const NOMINAL_V = 12.8;

/** Bands on which a controller was heard; null where nobody has listened. */
export const heardOn = ({ noise }: ControllerGear): readonly { readonly band: string }[] | null =>
  noise && noise.length > 0 ? noise.filter(({ unit, off, on }) => on - off >= HEARD[unit]) : null;

/** A plan as a harness sees it: what flows to its loads, and how it went where it was marched. */
export type HarnessRun = Pick<Forecast, 'plan' | 'load'> & Partial<Pick<Forecast, 'packs' | 'march'>>;

/** What the rules hold a harness against. @param run null where the plan cannot be calculated, as with parts missing */
export function harnessFacts(
  trip: Trip,
  carried: readonly Carried[],
  parts: readonly HarnessPart[],
  run: HarnessRun | null,
): HarnessFacts {
  const flow = harnessFlow(trip, carried, run);
  const total = (of: 'receiveA' | 'keyDownA') =>
    [...flow.draws.values()].reduce((sum, draw) => sum + draw[of], 0);
  const inParallel = trip.batteryUse !== 'turns';
  const pieces = batteryPieces(carried);
  const shareOf = inParallel ? Math.max(1, pieces.length) : 1;
  const meanA = run ? largest(run.load.mean.amps) : total('receiveA');
  return {
    flow,
    packs: pieces.map(({ gear, id, name }): CheckedPack => ({
      part: id,
      ...checkedPack(trip, gear, name),
      meanA: meanA / shareOf,
      keyDownA: total('keyDownA') / shareOf,
    })),
    inParallel,
    radios: stationRadios(carried).map(({ name, dropoutV, fullPowerV, maxV }, index) => ({
      part: radioParts(carried)[index],
      name,
      dropoutV: dropoutV.value,
      ...(fullPowerV && { fullPowerV: fullPowerV.value }),
      ...(maxV && { maxV: maxV.value }),
    })),
    controllers: carried.filter(isKind('controller')).map(({ gear }) => checkedController(gear, parts)),
    panels: carried.filter(isKind('panel')).map(({ gear, item }) => {
      const inSeries = item.inSeries ?? 1;
      const label = joined(panelLabel(gear), inSeries, item.count / inSeries);
      return {
        part: gear.id,
        name: gear.name,
        coldV: coldOpenCircuitVolts(label, coldest(trip), gear.vocPerKelvin?.value),
        shortA: label.iscA,
        bestA: run?.march ? largest(run.march.offeredA) : 0,
      };
    }),
    inverters: parts
      .filter(({ kind }) => kind === 'inverter')
      .map(({ id, name }) => ({
        part: id,
        name,
        standingW: CONVERTERS.mains.standingW,
        hours: inverterHours(trip, carried, id, run),
      })),
    coldC: coldest(trip),
    storedDays: trip.storedDays ?? 0,
    standingA: carried
      .filter(isKind('controller'))
      .reduce((sum, { gear }) => sum + (gear.selfUseA?.value ?? 0), 0),
    singles: singlePieces(trip, carried).map(({ gear }) => gear.name),
    missing: missingOf(parts, carried),
  };
}

function harnessFlow(trip: Trip, carried: readonly Carried[], run: HarnessRun | null): HarnessFlow {
  const [piece] = batteryPieces(carried);
  const count = trip.batteryUse === 'turns' ? 1 : batteryPieces(carried).length;
  const pack = piece && packAt(packLabelOf(piece.gear, count), trip.temperatureC);
  const restV = pack ? (pack.socket?.volts ?? openCircuitVolts(pack, floorOf(trip, piece.gear))) : NOMINAL_V;
  const draws = run ? harnessDraws(run.plan, carried, restV) : new Map();
  const total = (of: 'receiveA' | 'keyDownA') => [...draws.values()].reduce((sum, draw) => sum + draw[of], 0);
  // As the march looks at it: polarisation by the plan's largest mean, ohmic resistance by the current of the moment.
  const meanA = run ? largest(run.load.mean.amps) : total('receiveA');
  const floorV = (amps: number) => restV - (pack ? insideDip(pack, Math.min(meanA, amps), amps) : 0);
  return {
    draws,
    charging: harnessCharging(carried, pack ?? null, run),
    floorV: { receive: floorV(total('receiveA')), keyDown: floorV(total('keyDownA')) },
    batteryShare: 1 / Math.max(1, count),
    temperatureC: trip.temperatureC,
  };
}

function checkedPack(trip: Trip, gear: Battery | Station, name: string) {
  const label = packLabelOf(gear, 1);
  const common = {
    name,
    chemistry: gear.chemistry,
    cellsInSeries: gear.cellsInSeries,
    health: label.health,
    capacityAh: label.ratedAh * label.health,
    soc: trip.startSoc,
  };
  if (gear.kind === 'station') {
    return { ...common, hasSocket: true, ...(gear.socketA && { socketA: gear.socketA.value }) };
  }
  const { continuousA, peakA, peakS, protects } = gear;
  const isHeld = trip.blocks.some((block) => heldLonger(block, peakS?.value));
  const { charge } = packAt(label, trip.temperatureC);
  return {
    ...common,
    hasSocket: false,
    ...(charge && { maxChargeA: charge.maxA, chargeEntered: gear.maxChargeA !== undefined }),
    ...(continuousA && { continuousA: continuousA.value }),
    // A key that is held for longer than the peak may last takes the continuous limit.
    ...(peakA && !isHeld && { peakA: peakA.value }),
    ...(protects !== undefined && { protects }),
  };
}

function checkedController(
  gear: ControllerGear,
  parts: readonly HarnessPart[],
): HarnessFacts['controllers'][number] {
  const { id, name, maxInputV, maxA, loadA, profiles, wakesBattery, type, limitsCurrent } = gear;
  const below = partsBelow(parts, id);
  return {
    part: id,
    name,
    maxA: maxA.value,
    limits: type === 'pwm' ? limitsCurrent : true,
    heard: heardOn(gear),
    hasLoads: below.some(({ kind }) => kind === 'radio' || kind === 'load' || kind === 'amplifier'),
    ...(maxInputV && { maxInputV: maxInputV.value }),
    ...(loadA && { loadA: loadA.value }),
    ...(profiles && { profiles }),
    ...(wakesBattery !== undefined && { wakesBattery }),
  };
}

/** Hours that an inverter is on: those of what hangs behind it, or the whole outing. */
function inverterHours(trip: Trip, carried: readonly Carried[], id: string, run: HarnessRun | null): number {
  const behind = carried.filter(isKind('accessory')).findIndex(({ gear }) => id === `${gear.id}.via`);
  const pieces = run?.plan.accessories[behind]?.pieces;
  if (pieces) return pieces.reduce((sum, { startMs, endMs }) => sum + (endMs - startMs) / HOUR_MS, 0);
  return (Date.parse(trip.end) - Date.parse(trip.start)) / HOUR_MS;
}

function missingOf(parts: readonly HarnessPart[], carried: readonly Carried[]): HarnessFacts['missing'] {
  const panel = carried.find(isKind('panel'))?.gear.name ?? 'The panel';
  const words: Record<string, string> = {
    [NO_BATTERY]: 'Nothing feeds this station: put a battery in the bag.',
    [NO_RADIO]: 'There is no radio to feed: put one in the bag.',
    [NO_CONTROLLER]: `${panel} needs a charge controller: never a panel straight onto a battery or into a radio.`,
  };
  return parts.flatMap(({ id, name }) => {
    const sentence = words[id];
    return sentence ? [{ part: id, name, sentence }] : [];
  });
}

const largest = (values: Float64Array): number => values.reduce((most, value) => Math.max(most, value), 0);
