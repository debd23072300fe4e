import {
  ampsOutOf,
  batteryShares,
  USUAL_SOCKET,
  coldOpenCircuitVolts,
  CONVERTERS,
  HOUR_MS,
  loopIn,
  batteryPackAt,
  partsBelow,
  type CheckedPack,
  type CheckedPanel,
  type Forecast,
  type HarnessFacts,
  type HarnessFlow,
  type HarnessPart,
} from '@knapsack/core';
import { chargingOf } from '../charging/charging-of.js';
import type { ControllerGear } from '../documents/charging-gear.js';
import type { AddedPart } from '../documents/harness-notes.js';
import { isAttended, type Trip } from '../documents/trip.js';
import { heardOn } from '../noise/noise.js';
import { isKind, type Carried } from '../resolve/look-up.js';
import { stringsOf } from '../resolve/panels-of.js';
import { plannedLoads } from '../resolve/planned-loads.js';
import { packLabelOf } from '../resolve/resolve-packs.js';
import { coldest, hottest } from '../resolve/resolve-sun.js';
import { radiosByPosition } from '../resolve/resolve-positions.js';
import { allowedPower } from './allowed-power.js';
import { checkedPack, faultSources, lowestSoc, lowVolts } from './battery-facts.js';
import { batteryPieces } from './battery-pieces.js';
import { checkedCharger } from './checked-charger.js';
import { harnessCharging, harnessDraws, type PlannedLoads } from './harness-draws.js';
import { ADDED_NAMES, NO_BATTERY, NO_CONTROLLER, NO_RADIO } from './harness-of.js';
import { radioParts } from './lost-with.js';
import { middleVolts } from './supply.js';

/** A plan as a harness sees it: what flows to its loads, and how it went where it was marched. */
export type CalculatedTrip = Pick<Forecast, 'plan' | 'load'> & Partial<Pick<Forecast, 'packs' | 'march'>>;

/** What the rules hold a harness against. @param run null where the plan cannot be calculated: then the loads alone count */
export function harnessFacts(
  trip: Trip,
  carried: readonly Carried[],
  parts: readonly HarnessPart[],
  run: CalculatedTrip | null,
): HarnessFacts {
  const flow = harnessFlow(trip, carried, parts, run, plannedBy(trip, carried, run));
  const loop = loopIn(parts);
  const charging = chargingOf(carried, { startMs: Date.parse(trip.start), endMs: Date.parse(trip.end) });
  return {
    flow,
    packs: checkedPacks(trip, carried, parts, run, flow),
    inParallel: trip.batteryUse !== 'turns',
    radios: checkedRadios(trip, carried),
    controllers: carried.filter(isKind('controller')).map(({ gear }) => ({
      ...checkedController(gear, parts),
      ...(gear.type === 'usb' && {
        ofCells: {
          ...(gear.endsV && { endsV: gear.endsV.value }),
          oneWaits: trip.batteryUse === 'turns' && trip.chargeIdle === true,
        },
      }),
    })),
    inputs: carried.filter(isKind('station')).map(({ gear: { id, name, solarMaxV } }) => ({
      part: id,
      name,
      ...(solarMaxV && { maxInputV: solarMaxV.value }),
    })),
    panels: checkedPanels(trip, carried, run),
    // A charger for the mains stays where the mains are, unless it charges in hours of the outing.
    hasCharger:
      charging.length > 0 ||
      (trip.packing?.wayIn === 'vehicle' &&
        carried.filter(isKind('charger')).some(({ gear }) => gear.from === 'vehicle')),
    chargers: charging.map((one) => checkedCharger(one, trip.place.timeZone)),
    startUps: carried
      .filter(isKind('amplifier'))
      .flatMap(({ gear: { id, name, startA } }) =>
        startA ? [{ part: id, name, startA: startA.value }] : [],
      ),
    inverters: parts
      .filter(({ kind }) => kind === 'inverter')
      .map(({ id, name }) => ({
        part: id,
        name,
        standingW: CONVERTERS.mains.standingW,
        hours: inverterHours(trip, carried, id, run),
      })),
    disconnects: (trip.harness?.parts ?? [])
      .filter(({ kind }) => kind === 'disconnect')
      .map((added) => ({ part: added.id, ...disconnectFacts(added) })),
    coldC: coldest(trip),
    hotC: hottest(trip),
    temperatureC: trip.temperatureC,
    isUnattended: !isAttended(trip),
    byAir: trip.packing?.wayIn === 'air',
    getsToDropout: run?.march ? run.march.ends.radioDropoutMs !== null : null,
    storedDays: trip.storedDays ?? 0,
    standingA: carried
      .filter(isKind('controller'))
      .reduce((sum, { gear }) => sum + (gear.selfUseA?.value ?? 0), 0),
    missing: missingOf(parts, carried),
    suspended:
      loop.length > 0 ? `In the wiring, ${loop.map(({ name }) => name).join(' feeds ')} feeds itself.` : null,
  };
}

/** Every battery with its part of what all of them give. */
function checkedPacks(
  trip: Trip,
  carried: readonly Carried[],
  parts: readonly HarnessPart[],
  run: CalculatedTrip | null,
  flow: HarnessFlow,
): CheckedPack[] {
  // What hangs from a power station's mains outlet does not pass its 12 V socket.
  const onSocket = parts.filter(({ kind }) => kind !== 'outlet');
  const pieces = batteryPieces(carried);
  const loads = plannedBy(trip, carried, run);
  const flowOf = (of: PlannedLoads) => harnessFlow(trip, carried, parts, run, of);
  const shares = batteryShares(parts, flow);
  const total = (of: 'receiveA' | 'keyDownA') => ampsOutOf(onSocket, flow, of);
  const meanA = run ? largest(run.load.mean.amps) : total('receiveA');
  // An amplifier takes its own current, whatever power the radio drives it with.
  const hasAmplifier = carried.some(isKind('amplifier'));
  return pieces.map(({ gear, id, name }, index) => {
    const share = shares.get(id) ?? 1;
    const keyDownA = share * total('keyDownA');
    const checked = checkedPack(trip, gear, name, lowestSoc(trip, run, index));
    const { socketA, peakA, continuousA }: Partial<CheckedPack> = checked;
    const limitA = socketA ?? peakA ?? continuousA;
    const allowedW =
      limitA === undefined || keyDownA <= limitA || !loads || hasAmplifier
        ? null
        : allowedPower(loads, (of) => share * ampsOutOf(onSocket, flowOf(of), 'keyDownA'), limitA);
    return {
      part: id,
      ...checked,
      meanA: share * meanA,
      keyDownA,
      ...(gear.kind === 'station' && {
        leastW: total('receiveA') * (gear.socketV?.value ?? USUAL_SOCKET.volts),
      }),
      ...(allowedW !== null && { allowedW }),
    };
  });
}

/** Output of an amplifier of which none is entered: more than any portable radio has, W. Source: convention of this project. */
const AMPLIFIED_W = 100;

function checkedRadios(trip: Trip, carried: readonly Carried[]): HarnessFacts['radios'] {
  const amplified = carried.filter(isKind('amplifier')).map(({ gear }) => gear.outputW?.value ?? AMPLIFIED_W);
  return radiosByPosition(carried).map(({ name, dropoutV, fullPowerV, maxV }, index) => ({
    part: radioParts(carried)[index],
    name,
    mostW: Math.max(0, ...trip.blocks.map(({ powerW }) => powerW), ...amplified),
    dropoutV: dropoutV.value,
    ...(fullPowerV && { fullPowerV: fullPowerV.value }),
    ...(maxV && { maxV: maxV.value }),
  }));
}

function checkedPanels(trip: Trip, carried: readonly Carried[], run: CalculatedTrip | null): CheckedPanel[] {
  const panels = carried.filter(isKind('panel'));
  const own = panels.map(({ item }) => item.count / (item.inSeries ?? 1));
  const strings = own.reduce((sum, count) => sum + count, 0);
  return panels.map((one, index) => {
    const { gear } = one;
    const label = stringsOf(one);
    return {
      part: gear.id,
      name: gear.name,
      labelVmpV: label.vmpV,
      labelVocV: label.vocV,
      coldV: coldOpenCircuitVolts(label, coldest(trip), gear.vocPerKelvin?.value),
      shortA: label.iscA,
      stringA: label.iscA / own[index],
      // Those of all panels: each string can be fed by all the others.
      strings,
      bestA: run?.march ? largest(run.march.offeredA) : 0,
    };
  });
}

const disconnectFacts = ({ name, disconnectV, reconnectV, maxA }: AddedPart) => ({
  name: name ?? ADDED_NAMES.disconnect,
  ...(disconnectV !== undefined && { disconnectV }),
  ...(reconnectV !== undefined && { reconnectV }),
  ...(maxA !== undefined && { maxA }),
});

/** The loads of a plan: as calculated, else those of its blocks; null where there are none. */
const plannedBy = (
  trip: Trip,
  carried: readonly Carried[],
  run: CalculatedTrip | null,
): PlannedLoads | null => run?.plan ?? plannedLoads(trip, carried);

function harnessFlow(
  trip: Trip,
  carried: readonly Carried[],
  parts: readonly HarnessPart[],
  run: CalculatedTrip | null,
  loads: PlannedLoads | null,
): HarnessFlow {
  const pieces = batteryPieces(carried);
  const inTurns = trip.batteryUse === 'turns';
  const [piece] = pieces;
  const low = lowVolts(trip, carried, run);
  const restV = low(0, 0);
  const draws = loads ? harnessDraws(loads, carried, parts, restV, middleVolts(trip, carried)) : new Map();
  const flow: HarnessFlow = {
    draws,
    charging: harnessCharging(
      carried,
      piece ? batteryPackAt(packLabelOf(piece.gear, inTurns ? 1 : pieces.length), trip.temperatureC) : null,
      piece?.gear.cellsInSeries ?? 1,
      run,
    ),
    lowV: { receive: restV, keyDown: restV },
    inParallel: !inTurns && pieces.length > 1,
    ...(trip.oneSpeaks && { oneSpeaks: radioParts(carried) }),
    sources: faultSources(carried),
    temperatureC: trip.temperatureC,
  };
  // As the march looks at it: polarisation by the plan's largest mean, ohmic resistance by the current of the moment.
  const receiveA = ampsOutOf(parts, flow, 'receiveA');
  const meanA = run ? largest(run.load.mean.amps) : receiveA;
  const keyDown = low(meanA, ampsOutOf(parts, flow, 'keyDownA'));
  return { ...flow, lowV: { receive: low(meanA, receiveA), keyDown } };
}

function checkedController(
  gear: ControllerGear,
  parts: readonly HarnessPart[],
): HarnessFacts['controllers'][number] {
  const { id, name, maxInputV, maxA, loadA, profiles, wakesBattery, type, limitsCurrent } = gear;
  const { chargesToV, compensates, equalises } = gear;
  const below = partsBelow(parts, id);
  return {
    part: id,
    name,
    ...(type !== 'usb' && { maxA: maxA.value }),
    kind: type,
    limits: type === 'pwm' ? limitsCurrent : true,
    heard: heardOn(gear),
    hasLoads: below.some(({ kind }) => kind === 'radio' || kind === 'load' || kind === 'amplifier'),
    ...(maxInputV && { maxInputV: maxInputV.value }),
    ...(loadA && { loadA: loadA.value }),
    ...(profiles && { profiles }),
    ...(wakesBattery !== undefined && { wakesBattery }),
    ...(chargesToV && { chargesToV: chargesToV.value }),
    ...(compensates !== undefined && { compensates }),
    ...(equalises !== undefined && { equalises }),
  };
}

/** Hours that an inverter is on: those of what hangs behind it, or the whole outing. */
function inverterHours(
  trip: Trip,
  carried: readonly Carried[],
  id: string,
  run: CalculatedTrip | null,
): number {
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
