import { labelFromWatts } from '../panel/panel.js';
import type { SunPlan } from '../sun/harvest.js';

/** 50 W of good crystalline panel, tilted 35 degrees south at 50 N under a clear sky, on a tracking controller. */
export const sunPlan = (change: Partial<SunPlan> = {}): SunPlan => ({
  latitudeDeg: 50,
  longitudeDeg: 0,
  heightM: 0,
  turbidity: 3.5,
  albedo: 0.2,
  skyAt: () => ({ cloud: 0, rain: false, airC: 15, windMS: 2 }),
  aim: { how: 'fixed', tiltDeg: 35, azimuthDeg: 180 },
  mount: 'propped',
  shade: { horizon: [], spans: [], sensitivity: 2.5 },
  panel: labelFromWatts(50, 'good_mono'),
  truth: 0.9,
  controller: { kind: 'mppt', maxA: 100, wakeShare: 0.01, panelCableOhm: 0 },
  ...change,
});
