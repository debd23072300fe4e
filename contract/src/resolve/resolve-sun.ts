import {
  AIR_WORDS,
  coldOpenCircuitVolts,
  fail,
  GROUND_WORDS,
  succeed,
  type AimPlan,
  type PackLabel,
  type Result,
  type SkyNow,
  type SunPlan,
} from '@knapsack/core';
import type { ControllerGear, Panel } from '../documents/gear.js';
import type { AimChoice, PanelPlace, Weather } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';
import { panelLabel } from './panel-label.js';

export const USUAL_WEATHER: Weather = { air: 'ordinary', cloud: 0, windMS: 1.5 };
export const USUAL_PLACE: PanelPlace = { aim: { how: 'flat' }, mount: 'flat', ground: 'grass' };

const USUAL_TRUTH = 0.9;
const USUAL_WAKE_SHARE = 0.01;

/** The panel and the controller of a bag, with how many panels lie side by side. */
export interface SunGear {
  readonly panel: Panel;
  readonly count: number;
  readonly controller: ControllerGear;
}

/** The sun's part of a plan: panel, controller, aim, shade and sky as plain numbers. */
export function resolveSun(trip: Trip, gear: SunGear, pack: PackLabel): Result<SunPlan> {
  const { latitudeDeg, longitudeDeg, heightM = 0 } = trip.place;
  if (latitudeDeg === undefined || longitudeDeg === undefined) {
    return fail({
      code: 'no-coordinates',
      pointer: '/place/latitudeDeg',
      sentence: 'Say where the outing is, by latitude and longitude or a locator: the sun depends on it.',
    });
  }
  const misfit = misfitOf(trip, gear, pack);
  if (misfit) return fail(misfit);

  const { panel, count, controller } = gear;
  const place = trip.panelPlace ?? USUAL_PLACE;
  const weather = trip.weather ?? USUAL_WEATHER;
  const one = panelLabel(panel);
  return succeed({
    latitudeDeg,
    longitudeDeg,
    heightM,
    turbidity: AIR_WORDS[weather.air].turbidity,
    albedo: GROUND_WORDS[place.ground],
    skyAt: skyOf(weather, trip.temperatureC),
    aim: aimPlan(place.aim),
    mount: place.mount,
    shade: {
      horizon: place.horizon ?? [],
      spans: (place.shade ?? []).map(({ start, end, fraction }) => ({
        startMs: Date.parse(start),
        endMs: Date.parse(end),
        fraction,
      })),
      sensitivity: panel.technology === 'thin_film' ? 1 : panel.diodes ? 1.5 : 2.5,
    },
    panel: { ...one, watts: one.watts * count, impA: one.impA * count, iscA: one.iscA * count },
    truth: panel.truth?.value ?? USUAL_TRUTH,
    controller: {
      kind: controller.type,
      maxA: controller.maxA.value,
      wakeShare: controller.wakeShare?.value ?? USUAL_WAKE_SHARE,
      panelLeadOhm: 0,
    },
  });
}

/** The sky at an instant: the hour that is known, else what it usually is. */
export function skyOf({ cloud, windMS, hours = [] }: Weather, airC: number): (timeMs: number) => SkyNow {
  const known = hours.map((hour) => ({ startMs: Date.parse(hour.start), hour }));
  const usual: SkyNow = { cloud, rain: false, airC, windMS };
  const endMs = (index: number) => known[index + 1]?.startMs ?? known[index].startMs + 3_600_000;
  return (timeMs) => {
    const index = known.findLastIndex(({ startMs }) => startMs <= timeMs);
    if (index === -1 || timeMs >= endMs(index)) return usual;
    const { hour } = known[index];
    return {
      cloud: hour.cloud,
      rain: hour.rain ?? false,
      airC: hour.temperatureC ?? airC,
      windMS: hour.windMS ?? windMS,
    };
  };
}

/** A kit that would be destroyed, or would ruin the battery: no forecast is given for it. */
function misfitOf(trip: Trip, { panel, controller }: SunGear, pack: PackLabel) {
  const coldV = coldOpenCircuitVolts(panelLabel(panel), trip.temperatureC);
  const limitV = controller.maxInputV?.value;
  if (limitV !== undefined && coldV > limitV) {
    return {
      code: 'cold-voltage',
      pointer: '/loadout',
      sentence: `${panel.name} rises to ${coldV.toFixed(1)} V in the cold and ${controller.name} survives ${limitV} V: it would be destroyed. Take a panel of fewer volts or another controller.`,
    };
  }
  if (controller.profiles && !controller.profiles.includes(pack.chemistry)) {
    return {
      code: 'charge-profile',
      pointer: '/loadout',
      sentence: `${controller.name} has no charge profile for this chemistry: it could overcharge the battery. Take a controller that has one.`,
    };
  }
  return null;
}

function aimPlan(aim: AimChoice): AimPlan {
  return aim.how === 'at' ? { how: 'at', timesMs: aim.times.map((time) => Date.parse(time)) } : aim;
}
