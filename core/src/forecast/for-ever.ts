import { HOUR_MS, type Span } from '../span.js';
import { ChanceRun, type ChanceUp, type Odds } from '../chance/chance.js';
import { labelFromWatts } from '../panel/panel.js';
import { bestFixedAim } from '../sun/best-aim.js';
import type { SkyNow, SunPlan } from '../sun/harvest.js';
import { forecast } from './forecast.js';
import type { PlanInput } from './plan-input.js';
import { steadyPlan } from './steady-plan.js';

const DAY_MS = 24 * HOUR_MS;
/** Longest that is looked ahead without sun, and how many days of a month are marched. */
const LONGEST_DAYS = 60;
const MONTH_DAYS = 10;
/** Length of a simulated month, days. */
const WHOLE_MONTH_DAYS = 28;
/** Simulated months, for an availability to a point or two. */
const MONTH_DRAWS = 60;
/** What a day may end lower than the one before without running down: days grow shorter within a month. Of all charge. */
const LEVEL = 0.01;

/** How a load stands in one month under its usual sky. */
export interface MonthOfLoad {
  /** 1 for January. */
  readonly month: number;
  /** Under the usual sky the pack is never at its reserve, the sun carries the load, and days end no lower than the one before. */
  readonly lasts: boolean;
  /** Days until the reserve from a full pack, within the ten that are marched; null where it is not reached. */
  readonly endsAfterDays: number | null;
  /** What the sun would carry for ever less what is drawn, Ah a day. */
  readonly surplusAh: number;
  readonly lowestSoc: number;
  /** Of gear that comes back by itself: how much of the month it is up under simulated skies of its climate. */
  readonly availability?: ChanceUp;
  /** Of any other: in how many simulated months it lasts from full to the end; absent without a climate. */
  readonly odds?: Odds;
}

/** Days that a steady load lasts from a full pack without any sun, d; Infinity for more than sixty. */
export function daysWithoutSun(plan: PlanInput, loadA: number): number {
  if (loadA <= 0) return Infinity;
  const outing = { startMs: plan.outing.startMs, endMs: plan.outing.startMs + LONGEST_DAYS * DAY_MS };
  const { sun: _sun, restart: _restart, ...dark } = steadyPlan(fullOf(plan), outing, loadA);
  const { endMs } = forecast(dark).verdict;
  return endMs === null ? Infinity : (endMs - outing.startMs) / DAY_MS;
}

/**
 * Each month of the year under its usual sky: whether a steady load runs for ever. A panel that someone turns lies still
 * at the month's best aim, since nobody is there; hours of shade belong to a date and are left out, the skyline is kept.
 *
 * @param skyOf the usual sky of a month, 1 to 12
 */
export function monthsOfLoad(
  plan: PlanInput,
  loadA: number,
  skyOf: (month: number) => SkyNow,
): readonly MonthOfLoad[] {
  return plan.sun
    ? Array.from({ length: 12 }, (_, index) => monthOfLoad(plan, plan.sun!, loadA, index + 1, skyOf))
    : [];
}

function monthOfLoad(
  plan: PlanInput,
  sun: SunPlan,
  loadA: number,
  month: number,
  skyOf: (month: number) => SkyNow,
): MonthOfLoad {
  const startMs = Date.UTC(new Date(plan.outing.startMs).getUTCFullYear(), month - 1, 11);
  const outing = { startMs, endMs: startMs + MONTH_DAYS * DAY_MS };
  const sky = skyOf(month);
  const left = leftAlone({ ...sun, skyAt: () => sky, shade: { ...sun.shade, spans: [] } }, outing);
  const { temperatureC: _warm, ...rest } = steadyPlan(fullOf(plan), outing, loadA);
  // Under its usual sky, and down to the reserve, whatever comes back after that.
  const { outlook: _sky, restart: _restart, ...usual } = rest;
  const { verdict, march } = forecast({ ...usual, temperatureC: sky.airC, sun: left });
  const { soc, edgesMs } = march;
  const simulated = simulatedMonth(plan, loadA, startMs, sky, left);
  const dayBefore = edgesMs.findIndex((timeMs) => timeMs >= outing.endMs - DAY_MS);
  const stays = soc[soc.length - 1] >= soc[dayBefore] - LEVEL;
  const surplusAh = 24 * ((verdict.sun?.balanceA ?? 0) - loadA);
  return {
    month,
    lasts: verdict.endMs === null && surplusAh >= 0 && stays,
    endsAfterDays: verdict.endMs === null ? null : (verdict.endMs - startMs) / DAY_MS,
    surplusAh,
    lowestSoc: verdict.lowestSoc,
    ...simulated,
  };
}

/** A whole month under simulated skies of its climate, from full: availability or odds; nothing without a climate. */
function simulatedMonth(
  plan: PlanInput,
  loadA: number,
  startMs: number,
  { airC }: SkyNow,
  sun: SunPlan,
): Pick<MonthOfLoad, 'availability' | 'odds'> {
  const climate = plan.outlook?.climate;
  if (!climate) return {};
  const middleMs = startMs + (MONTH_DAYS / 2) * DAY_MS;
  const outing = {
    startMs: middleMs - (WHOLE_MONTH_DAYS / 2) * DAY_MS,
    endMs: middleMs + (WHOLE_MONTH_DAYS / 2) * DAY_MS,
  };
  const steady = steadyPlan(fullOf(plan), outing, loadA);
  const run = new ChanceRun({
    ...{ ...steady, temperatureC: airC, sun },
    outlook: { ...plan.outlook, climate, isForecast: () => false },
  });
  run.more(MONTH_DRAWS);
  const { availability } = run.soFar();
  return availability ? { availability } : { odds: run.odds() };
}

const LARGEST_W = 800;
const NEAR_ENOUGH_W = 1;

/**
 * The smallest panel that carries a steady load for ever in one month, W: as in the plan otherwise, without a controller's
 * limit. Null where none up to 800 W does, as where the sun does not rise or the pack is too small for the nights.
 */
export function panelForEver(
  plan: PlanInput,
  loadA: number,
  month: number,
  skyOf: (month: number) => SkyNow,
): number | null {
  const { sun } = plan;
  if (!sun) return null;
  const lasts = (watts: number) => {
    const panel = labelFromWatts(watts, sun.panel.technology);
    const controller = { ...sun.controller, maxA: Infinity };
    return monthOfLoad(plan, { ...sun, panel, controller }, loadA, month, skyOf).lasts;
  };
  let low = 0;
  let high = LARGEST_W;
  if (!lasts(high)) return null;
  while (high - low > NEAR_ENOUGH_W) {
    const middle = (low + high) / 2;
    if (lasts(middle)) high = middle;
    else low = middle;
  }
  return Math.ceil(high);
}

/** The month that is hardest on a load. */
export const worstMonth = (months: readonly MonthOfLoad[]): MonthOfLoad =>
  months.reduce((worst, month) => (month.surplusAh < worst.surplusAh ? month : worst));

const fullOf = (plan: PlanInput): PlanInput => ({
  ...plan,
  packs: plan.packs.map((pack) => ({ ...pack, startSoc: 1 })),
});

/** A panel that nobody turns any more. */
function leftAlone(sun: SunPlan, outing: Span): SunPlan {
  if (sun.aim.how !== 'every' && sun.aim.how !== 'at') return sun;
  const best = bestFixedAim(sun, outing);
  return { ...sun, aim: best ? { how: 'fixed', ...best } : { how: 'flat' } };
}
