import {
  branchShares,
  CHEMISTRIES,
  chemistryOf,
  fail,
  leaksAMonth,
  resistancesAt,
  socAfterStorage,
  succeed,
  USUAL_SOCKET,
  type PackLabel,
  type PlannedPack,
  type Result,
} from '@knapsack/core';
import { notSimulated, trustOf, type Figure } from '../documents/figure.js';
import type { Battery, PowerStation } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { counted, isKind, lacking, type Carried } from './look-up.js';

/** The reserve of a trip, 0 to 1: its own, or the chemistry's usual one. */
export const reserveSocOf = (trip: Trip, { chemistry }: Pick<Battery, 'chemistry'>): number =>
  trip.floorSoc ?? chemistryOf(chemistry).reserveSoc;

/** The packs of a bag: all of one kind in parallel as one, or every single one for use in turn, in the bag's order. */
export function resolvePacks(trip: Trip, carried: readonly Carried[]): Result<readonly PlannedPack[]> {
  const sources = carried.filter(
    (one): one is Carried<Battery | PowerStation> => isKind('battery')(one) || isKind('station')(one),
  );
  if (sources.length === 0) return fail(lacking('battery', 'Put a battery in the bag.'));
  if (trip.batteryUse === 'turns') {
    return succeed(
      sources.flatMap(({ gear, item }) =>
        Array.from({ length: item.count }, (_, index) => {
          const name = item.count > 1 ? `${gear.name} no. ${index + 1}` : gear.name;
          return plannedPack(trip, gear, 1, name);
        }),
      ),
    );
  }
  const [first] = sources;
  const other = sources.find(({ gear }) => !canBeParallel(first.gear, gear));
  if (other) {
    return fail({
      code: 'mixed-batteries',
      pointer: `/loadout/${other.index}`,
      sentence: `The bag holds ${first.gear.name} and ${other.gear.name}. Use them one after the other, or take one kind, as many as you like; different kinds in parallel fight each other.`,
    });
  }
  const batteries = sources.filter(isKind('battery'));
  if (batteries.length > 1) return succeed([mixedPack(trip, batteries)]);
  if (first.gear.kind === 'station' && first.item.count > 1) {
    return fail({
      code: 'stations-parallel',
      pointer: `/loadout/${first.index}`,
      sentence: `Power stations cannot be put in parallel at their sockets. Use the ${first.item.count} of them one after the other.`,
    });
  }
  return succeed([
    plannedPack(trip, first.gear, first.item.count, counted(first.gear.name, first.item.count)),
  ]);
}

/** Batteries of one chemistry and as many cells can be put in parallel, whatever their size. */
const canBeParallel = (one: Battery | PowerStation, other: Battery | PowerStation): boolean =>
  one === other ||
  (one.kind === 'battery' &&
    other.kind === 'battery' &&
    one.chemistry === other.chemistry &&
    one.cellsInSeries === other.cellsInSeries);

/** Batteries of several sizes in parallel as one: they share the current by their resistance, and the weakest limit counts. */
function mixedPack(trip: Trip, batteries: readonly Carried<Battery>[]): PlannedPack {
  const each = batteries.map(({ gear, item: { count } }) => ({
    gear,
    count,
    planned: plannedPack(trip, gear, count, counted(gear.name, count)),
  }));
  const [first] = each;
  const shares = branchShares(
    each.map(({ planned }) => ({ packOhm: resistancesAt(planned.label, ROOM_C).ohmic, cableOhm: null })),
  );
  const sum = (of: (label: PackLabel) => number) =>
    each.reduce((total, { planned }) => total + of(planned.label), 0);
  // The common limit is reached when the first battery reaches its own.
  const limit = (of: (pack: PlannedPack) => number | undefined) => {
    const limits = each.map(({ planned }, index) => (of(planned) ?? NaN) / shares[index]);
    const least = Math.min(...limits);
    return Number.isNaN(least) ? undefined : least;
  };
  const ratedAh = sum((label) => label.ratedAh);
  const conductance = each.reduce(
    (total, { planned }) => total + 1 / resistancesAt(planned.label, ROOM_C).ohmic,
    0,
  );
  const [continuousA, peakA, maxChargeA] = [
    limit((pack) => pack.continuousA),
    limit((pack) => pack.peakA),
    limit((pack) => pack.label.maxChargeA),
  ];
  return {
    ...first.planned,
    name: each.map(({ planned }) => planned.name).join(' and '),
    label: {
      ...first.planned.label,
      ratedAh,
      health: sum((label) => label.ratedAh * label.health) / ratedAh,
      ohmicOhm: 1 / conductance,
      ...(maxChargeA !== undefined && { maxChargeA }),
    },
    ...(continuousA !== undefined && { continuousA }),
    ...(peakA !== undefined && { peakA }),
  };
}

/** Temperature that resistances of a label are stated at, C. */
const ROOM_C = 25;

function plannedPack(trip: Trip, gear: Battery | PowerStation, count: number, name: string): PlannedPack {
  const kept = gear.kind === 'battery' && gear.keepsCharge === true;
  const common = {
    gear: gear.id,
    name,
    startSoc: socAfterStorage(gear.chemistry, trip.startSoc, trip.storedDays ?? 0, kept),
    reserveSoc: reserveSocOf(trip, gear),
    capacityFrom: trustOf(capacityOf(gear)),
  };
  if (gear.kind === 'station') {
    return {
      ...common,
      label: packLabelOf(gear, 1),
      ...(gear.socketA && { continuousA: gear.socketA.value, peakA: gear.socketA.value }),
    };
  }
  const { continuousA, peakA, peakS } = gear;
  const resistanceOhm = notSimulated(gear.resistanceOhm);
  return {
    ...common,
    label: packLabelOf(gear, count),
    ...(resistanceOhm && { resistanceFrom: trustOf(resistanceOhm) }),
    ...(continuousA && { continuousA: continuousA.value * count }),
    ...(peakA && { peakA: peakA.value * count }),
    ...(peakS && { peakS: peakS.value }),
  };
}

/** The figure of a battery's capacity. */
const capacityOf = (gear: Battery | PowerStation): Figure =>
  gear.kind === 'station' ? gear.wattHours : (notSimulated(gear.measuredAh) ?? gear.ratedAh);

/** A battery or the cells of a power station as a pack, some of them in parallel. */
export const packLabelOf = (gear: Battery | PowerStation, count: number): PackLabel =>
  gear.kind === 'station' ? powerStationLabel(gear) : batteryLabel(gear, count);

/** Packs of one kind in parallel: capacity and limits add, resistance divides. */
function batteryLabel(battery: Battery, count: number): PackLabel {
  const { ratedAh, measuredAh, health, resistanceOhm, cutoffV, maxChargeA, keepsCharge, coldProtected } =
    battery;
  const tested = notSimulated(measuredAh);
  const resistance = notSimulated(resistanceOhm);
  const aged = tested ? tested.value / ratedAh.value : (health?.value ?? 1);
  return {
    chemistry: battery.chemistry,
    cellsInSeries: battery.cellsInSeries,
    ratedAh: ratedAh.value * count,
    health: aged,
    ...(resistance
      ? { ohmicOhm: ohmicOf(resistance) / count }
      : aged < 1 && { ohmicOhm: agedOhm(battery, aged) / count }),
    ...(cutoffV && { cutoffV: cutoffV.value }),
    ...(maxChargeA && { maxChargeA: maxChargeA.value * count }),
    ...(coldProtected !== undefined && { coldProtected }),
    ...(keepsCharge && { leaksAMonth: leaksAMonth(battery.chemistry, true) }),
  };
}

/** Resistance of a battery that has lost capacity with age: R x (1 + 2 (1 - health)). Source: convention of this project, docs/model.md. */
const agedOhm = ({ chemistry, cellsInSeries, ratedAh }: Battery, health: number): number =>
  (chemistryOf(chemistry).inside(cellsInSeries).ohmicOhmAh / ratedAh.value) * (1 + 2 * (1 - health));

/** Makers' milliohms are measured at 1 kHz and are half of what direct current meets, or less. */
const SHEET_TO_DIRECT = 2;

/** Ohmic resistance, ohm: measured by a step of the current as it is, a data sheet's doubled. Source: convention of this project. */
const ohmicOf = ({ value, source }: Figure): number =>
  source === 'datasheet' ? SHEET_TO_DIRECT * value : value;

/** The cells of a power station: its watt hours at their nominal volts, behind its socket. */
function powerStationLabel(powerStation: PowerStation): PackLabel {
  const { chemistry, cellsInSeries, wattHours, health, socketV, efficiency, idleW, solarW } = powerStation;
  const { nominalV, tableCells } = CHEMISTRIES[chemistry];
  const volts = (nominalV * cellsInSeries) / tableCells;
  return {
    chemistry,
    cellsInSeries,
    ratedAh: wattHours.value / volts,
    health: health?.value ?? 1,
    ...(solarW && { maxChargeA: solarW.value / volts }),
    socket: {
      volts: socketV?.value ?? USUAL_SOCKET.volts,
      efficiency: efficiency?.value ?? USUAL_SOCKET.efficiency,
      idleW: idleW?.value ?? USUAL_SOCKET.idleW,
    },
  };
}
