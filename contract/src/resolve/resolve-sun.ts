import {
  AIR_WORDS,
  chemistryOf,
  coldOpenCircuitVolts,
  fail,
  GROUND_WORDS,
  isPrimary,
  shadeSensitivity,
  succeed,
  type AimPlan,
  type Controller,
  type PackLabel,
  type Problem,
  type Result,
  type SunPlan,
  type Wiring,
} from '@knapsack/core';
import { notSimulated, trustOf } from '../documents/figure.js';
import type { ControllerGear } from '../documents/charging-gear.js';
import type { Panel, PowerStation } from '../documents/gear.js';
import { USUAL_PLACE, USUAL_WEATHER, type PanelPlace } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';
import { isKind, lacking, type Carried } from './look-up.js';
import { panelCablesOhm } from './panel-losses.js';
import { panelsTogether, stringsOf, type PanelsTogether } from './panels-of.js';
import { skyOf } from './sky-of.js';

const USUAL_WAKE_SHARE = 0.01;

/** The panels of a bag as they are joined, and what they charge through. */
interface SunGear {
  readonly panels: readonly Carried<Panel>[];
  readonly together: PanelsTogether;
  readonly charger: ControllerGear | PowerStation;
}

/** The sun's part of a plan: panel, controller, aim, shade and sky as plain numbers; null without a panel. */
export function resolveSun(
  trip: Trip,
  carried: readonly Carried[],
  packs: readonly PackLabel[],
  wiring: Wiring,
): Result<SunPlan | null> {
  const gear = sunGear(carried);
  if (!gear.ok) return gear;
  if (!gear.value) return succeed(null);
  const { latitudeDeg, longitudeDeg, heightM = 0 } = trip.place;
  if (latitudeDeg === undefined || longitudeDeg === undefined) {
    return fail({
      code: 'no-coordinates',
      pointer: '/place/latitudeDeg',
      sentence: 'Say where the outing is, by latitude and longitude or a locator: the sun depends on it.',
    });
  }
  const misfit = misfitOf(trip, gear.value, packs);
  if (misfit) return fail(misfit);

  const { together, charger } = gear.value;
  const panel = together.main.gear;
  const place = trip.panelPlace ?? USUAL_PLACE;
  const weather = trip.weather ?? USUAL_WEATHER;
  const truth = notSimulated(panel.truth);
  return succeed({
    latitudeDeg,
    longitudeDeg,
    heightM,
    turbidity: AIR_WORDS[weather.air].turbidity,
    albedo: GROUND_WORDS[place.ground],
    skyAt: skyOf(trip),
    aim: aimPlan(place),
    mount: place.mount,
    shade: {
      horizon: place.horizon ?? [],
      spans: (place.shade ?? []).map(({ start, end, fraction }) => ({
        startMs: Date.parse(start),
        endMs: Date.parse(end),
        fraction,
      })),
      sensitivity: shadeSensitivity(panel.technology, panel.diodes === true),
    },
    panel: together.label,
    truth: together.truth,
    ...(truth && { truthFrom: trustOf(truth) }),
    controller: controllerOf(charger, wiring, panelCablesOhm(together.main.item), packs[0].cellsInSeries),
  });
}

/** Panels in parallel on one controller or power station; null without a panel. */
function sunGear(carried: readonly Carried[]): Result<SunGear | null> {
  const panels = carried.filter(isKind('panel'));
  const controllers = carried.filter(isKind('controller'));
  const [, second] = controllers;
  if (second) {
    return fail({
      code: 'two-kinds',
      pointer: `/loadout/${second.index}`,
      sentence: 'The bag holds two charge controllers. Take one, and put all panels on it.',
    });
  }
  const [first] = panels;
  if (!first) return succeed(null);
  const charger = controllers[0]?.gear ?? carried.find(isKind('station'))?.gear;
  if (!charger) {
    return fail(
      lacking(
        'controller',
        `${first.gear.name} needs a charge controller: never a panel straight onto a battery or into a radio.`,
      ),
    );
  }
  const together = panelsTogether(panels);
  return together.ok ? succeed({ panels, together: together.value, charger }) : together;
}

/** What a controller is and passes on at the most. @param cells in series of the battery that it charges */
export const controllerKind = (
  { type, maxA, slots = 1, socketW, limitsCurrent }: ControllerGear,
  cells: number,
): Pick<Controller, 'kind' | 'maxA' | 'limitsCurrent' | 'socketW'> => ({
  kind: type,
  // A set of so many cells gets what its charger gives to those that are in it just then.
  maxA: type === 'usb' ? (maxA.value * Math.min(slots, cells)) / cells : maxA.value,
  ...(socketW && { socketW: socketW.value }),
  ...(limitsCurrent !== undefined && { limitsCurrent }),
});

function controllerOf(
  charger: ControllerGear | PowerStation,
  wiring: Wiring,
  ownOhm: number,
  cells: number,
): Controller {
  const cables = {
    panelCableOhm: (wiring.panel?.ohm ?? 0) + ownOhm,
    ...(wiring.controller && { batteryCableOhm: wiring.controller.ohm }),
  };
  if (charger.kind === 'station') {
    return { kind: 'builtIn', maxA: Infinity, wakeShare: USUAL_WAKE_SHARE, ...cables };
  }
  return {
    ...controllerKind(charger, cells),
    wakeShare: charger.wakeShare?.value ?? USUAL_WAKE_SHARE,
    ...cables,
  };
}

/** Temperatures of an outing, C: of the air around the battery and of every hour of weather in it. */
function temperatures({ temperatureC, weather, start, end }: Trip): readonly number[] {
  const inside = (weather?.hours ?? []).filter(
    (hour) => Date.parse(hour.start) >= Date.parse(start) && Date.parse(hour.start) < Date.parse(end),
  );
  return [temperatureC, ...inside.map((hour) => hour.temperatureC ?? temperatureC)];
}

/** The lowest and the highest temperature of an outing, C. */
export const coldest = (trip: Trip): number => Math.min(...temperatures(trip));
export const hottest = (trip: Trip): number => Math.max(...temperatures(trip));

/** A kit that would be destroyed, or would ruin the battery: no forecast is given for it. */
function misfitOf(trip: Trip, { panels, charger }: SunGear, packs: readonly PackLabel[]): Problem | null {
  const limitV = charger.kind === 'station' ? charger.solarMaxV?.value : charger.maxInputV?.value;
  for (const one of panels) {
    const coldV = coldOpenCircuitVolts(stringsOf(one), coldest(trip), one.gear.vocPerKelvin?.value);
    if (limitV === undefined || coldV <= limitV) continue;
    return {
      code: 'cold-voltage',
      pointer: '/loadout',
      sentence: `${one.gear.name} rises to ${coldV.toFixed(1)} V in the cold and ${charger.name} survives ${limitV} V: it would be destroyed. Take a panel of fewer volts, fewer in series, or another controller.`,
    };
  }
  const { profiles } = charger.kind === 'controller' ? charger : {};
  // Cells that are never charged are told by their own rule.
  const without = packs.find(
    ({ chemistry }) => profiles && !isPrimary(chemistry) && !profiles.includes(chemistry),
  );
  if (without) {
    return {
      code: 'charge-profile',
      pointer: '/loadout',
      sentence: `${charger.name} has no charge profile for ${chemistryOf(without.chemistry).label}: it could overcharge the battery, or never fill it. Take a controller that has one.`,
    };
  }
  return null;
}

function aimPlan({ aim, stand }: PanelPlace): AimPlan {
  if (aim.how === 'flat' || aim.how === 'hung') return aim;
  const on = stand && { stand };
  return aim.how === 'at'
    ? { how: 'at', timesMs: aim.times.map((time) => Date.parse(time)), ...on }
    : { ...aim, ...on };
}
