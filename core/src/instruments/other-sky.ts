import type { PlanInput } from '../forecast/plan-input.js';
import type { SkyNow } from '../sun/harvest.js';

/** How a played sky differs from what was forecast. */
export const OTHER_SKIES = ['asForecast', 'duller', 'brighter'] as const;
export type OtherSky = (typeof OTHER_SKIES)[number];

/** Share of the clear sky that clouds over, and of the clouds that stay. Convention of this project. */
const CLOUDS_OVER = 0.6;
const CLOUDS_STAY = 0.4;

/** A plan whose sky comes otherwise than its forecast says: what is played then nobody was told. */
export function underOtherSky(plan: PlanInput, how: OtherSky): PlanInput {
  const { sun } = plan;
  if (!sun || how === 'asForecast') return plan;
  const change = how === 'duller' ? duller : brighter;
  return { ...plan, sun: { ...sun, skyAt: (timeMs) => change(sun.skyAt(timeMs)) } };
}

const duller = (sky: SkyNow): SkyNow => ({ ...sky, cloud: sky.cloud + CLOUDS_OVER * (1 - sky.cloud) });

function brighter(sky: SkyNow): SkyNow {
  const { rainShare: _dry, ...rest } = sky;
  return { ...rest, cloud: CLOUDS_STAY * sky.cloud, rain: false, fog: false };
}
