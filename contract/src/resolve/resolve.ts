import {
  BUS_V,
  fail,
  MINUTE_MS,
  batteryPackAt,
  succeed,
  type AccessoryLoad,
  type PlanInput,
  type PlannedPack,
  type Result,
  type Span,
  type SunPlan,
} from '@knapsack/core';
import { chargingOf, feedsOf, stranded } from '../charging/charging-of.js';
import { sayCharging, sayStranded } from '../charging/say-charging.js';
import type { Gear } from '../documents/gear.js';
import { tripProblems } from '../documents/trip-rules.js';
import { targetOf, type Trip } from '../documents/trip.js';
import { assumedIn, assumedSky } from './assumed.js';
import { sayInverterCosts } from './inverter-cost.js';
import { isKind, lookUp, type Carried } from './look-up.js';
import { sayAim, sayPanelCables, sayPartialShade, sayStand, sayUnlikePanels } from './panel-losses.js';
import { resolveAccessories } from './resolve-load.js';
import { resolvePacks } from './resolve-packs.js';
import { disconnectOf, resolveRestart, type LowVoltage } from './resolve-restart.js';
import { resolvePositions } from './resolve-positions.js';
import { resolveSun } from './resolve-sun.js';
import { assumedCables, resolveWiring } from './resolve-wiring.js';
import { outlookOf } from './sky-of.js';
import { sayStationLosses } from './station-losses.js';
import { surplusHours } from './surplus.js';

/**
 * Turns what the user said into plain numbers: looks the gear up, fills the defaults in and notes which
 * figures are assumed. The shelf goes before what travels with the trip.
 */
export function resolve(trip: Trip, shelf: readonly Gear[]): Result<PlanInput> {
  const wrong = tripProblems(trip);
  if (wrong.length > 0) return fail(...wrong);

  const { carried, missing } = lookUp(trip, shelf);
  if (missing.length > 0) return fail(...missing);
  const positions = resolvePositions(trip, carried);
  if (!positions.ok) return positions;
  const bare = resolvePacks(trip, carried);
  if (!bare.ok) return bare;
  const low = disconnectOf(trip, carried);
  const packs = bare.value.map((pack) => behind(low, pack));
  const wiring = resolveWiring(trip, carried);
  if (!wiring.ok) return wiring;
  const sun = resolveSun(
    trip,
    carried,
    packs.map(({ label }) => label),
    wiring.value,
  );
  if (!sun.ok) return sun;

  const outing = { startMs: Date.parse(trip.start), endMs: Date.parse(trip.end) };
  const [first, ...others] = positions.value;
  const accessories = resolveAccessories(trip, carried, positions.value, outing);
  if (!accessories.ok) return accessories;

  const charging = chargingOf(carried, outing);
  const restart = resolveRestart(trip, carried, packs[0]);
  const { latitudeDeg, longitudeDeg } = trip.place;
  const plan: PlanInput = {
    outing,
    stepMs: trip.stepMinutes * MINUTE_MS,
    ...first,
    assumption: trip.rating ?? 'measured',
    ...(others.length > 0 && { others }),
    ...(others.length > 0 && trip.oneSpeaks && { oneSpeaks: true }),
    accessories: accessories.value,
    packs,
    ...(trip.chargeIdle && trip.batteryUse === 'turns' && { chargeIdle: true }),
    ...(restart && { restart }),
    temperatureC: trip.temperatureC,
    wiring: wiring.value,
    ...ofController(trip, carried),
    ...(latitudeDeg !== undefined && longitudeDeg !== undefined && { site: { latitudeDeg, longitudeDeg } }),
    ...(sun.value && { sun: sun.value, outlook: outlookOf(trip) }),
    ...(charging.length > 0 && { feeds: feedsOf(charging) }),
    targetChance: targetOf(trip),
    remarks: [
      ...neverDark(carried, accessories.value),
      ...sayInverterCosts(carried, accessories.value),
      ...sayStationLosses(carried, outing),
      ...sayCharging(charging),
      ...sayStranded(stranded(carried)),
      ...(sun.value ? saySunLosses(carried, sun.value, outing) : []),
    ],
    assumed: [
      ...(sun.value ? assumedSky(trip) : []),
      ...assumedCables(wiring.value, carried),
      ...carried.flatMap(({ gear }) => assumedIn(gear, trip.sheetsAsStated)),
    ],
  };
  const charged = chargedBySurplus(carried);
  if (charged === 0 || !plan.sun) return succeed(plan);
  const surplus = surplusHours(plan, charged / BUS_V);
  const fed = resolveAccessories(trip, carried, positions.value, outing, surplus);
  return fed.ok ? succeed({ ...plan, accessories: fed.value }) : fed;
}

/** What the controller that is carried does to the plan besides feeding it. */
const ofController = (trip: Trip, carried: readonly Carried[]): Partial<PlanInput> => {
  const controller = carried.find(isKind('controller'))?.gear;
  if (!controller) return {};
  const { name, wakesBattery, loadA } = controller;
  return {
    ...(trip.radioOn === 'terminals' && { onLoadTerminals: true }),
    controller: {
      name,
      ...(wakesBattery !== undefined && { wakesBattery }),
      ...(loadA && { loadA: loadA.value }),
    },
  };
};

/** What devices with cells of their own take while the sun has more than the rest needs, W; 0 where there are none. */
const chargedBySurplus = (carried: readonly Carried[]): number =>
  carried
    .filter(isKind('accessory'))
    .reduce(
      (sum, { gear, item }) =>
        gear.internal && item.ownCells?.feed === 'sun' ? sum + item.count * gear.internal.chargeW.value : sum,
      0,
    );

/** What is lost between panel and controller, and by a stand. */
const saySunLosses = (carried: readonly Carried[], sun: SunPlan, outing: Span): readonly string[] => [
  ...carried
    .filter(isKind('panel'))
    .flatMap((one) => [...sayPanelCables(one.item, sun), ...sayPartialShade(one, sun)]),
  ...sayUnlikePanels(carried.filter(isKind('panel'))),
  ...sayStand(sun, outing),
  ...sayAim(sun, outing),
];

const ROOM_C = 20;

/** A pack behind a low-voltage disconnect: what opens first takes the loads off. */
function behind(low: LowVoltage | null, pack: PlannedPack): PlannedPack {
  const { label } = pack;
  if (low?.disconnectV === undefined || label.socket) return pack;
  const cutoffV = Math.max(low.disconnectV, batteryPackAt(label, ROOM_C).cutoffV);
  return { ...pack, label: { ...label, cutoffV } };
}

/** Accessories that wait for a night which does not come. */
function neverDark(carried: readonly Carried[], loads: readonly AccessoryLoad[]): readonly string[] {
  const waiting = carried
    .filter(isKind('accessory'))
    .filter(
      ({ item, gear }, index) => (item.rule ?? gear.rule).when === 'dark' && loads[index].pieces.length === 0,
    )
    .map(({ gear }) => gear.name);
  return waiting.length > 0
    ? [`It does not get dark in this outing: ${waiting.join(' and ')} stays off.`]
    : [];
}
