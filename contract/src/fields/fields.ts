import type { NumberField } from './number-field.js';

const current = (label: string): NumberField => ({ label, unit: 'A', min: 0, max: 100 });
const drawn = (label: string): NumberField => ({ label, unit: 'A', min: 0, max: 500, aboveMin: true });
const volts = (label: string): NumberField => ({ label, unit: 'V', min: 0, max: 60, aboveMin: true });

/** Every number of the documents, and what it may be. */
export const FIELDS = {
  receiveA: { ...current('The receive current'), max: 20 },
  transmitA: drawn('The transmit current'),
  rfW: { label: 'The power', unit: 'W', min: 0, max: 2000, aboveMin: true },
  dropoutV: volts('The drop-out voltage'),
  fullPowerV: volts('The lowest full-power voltage'),
  ratedAh: { label: 'The capacity', unit: 'Ah', min: 0, max: 2000, aboveMin: true },
  measuredAh: { label: 'The measured capacity', unit: 'Ah', min: 0, max: 2000, aboveMin: true },
  health: { label: 'The health', unit: '%', min: 0, max: 1.2, aboveMin: true, shown: 100 },
  resistanceOhm: { label: 'The inner resistance', unit: 'mΩ', min: 0, max: 10, shown: 1000 },
  cutoffV: volts('The cut-off voltage'),
  dischargeA: { ...drawn('The discharge limit'), max: 2000 },
  cellsInSeries: { label: 'The count of cells', unit: '', min: 1, max: 40, whole: true },
  drawA: current('The draw'),
  loopOhm: { label: 'The lead’s resistance', unit: 'mΩ', min: 0, max: 10, shown: 1000 },
  weightG: { label: 'The weight', unit: 'g', min: 0, max: 500_000 },
  carryLimitG: { label: 'The carry limit', unit: 'kg', min: 0, max: 500_000, aboveMin: true, shown: 0.001 },
  temperatureC: { label: 'The temperature', unit: '°C', min: -40, max: 60 },
  startSoc: { label: 'The charge at the start', unit: '%', min: 0, max: 1, aboveMin: true, shown: 100 },
  floorSoc: { label: 'The reserve', unit: '%', min: 0, max: 0.95, shown: 100 },
  share: { label: 'The share on transmit', unit: '%', min: 0, max: 1, shown: 100 },
  modeFactor: { label: 'The mode factor', unit: '', min: 0, max: 1 },
  panelW: { label: 'The panel’s power', unit: 'W', min: 0, max: 5000, aboveMin: true },
  panelV: { label: 'The panel’s voltage', unit: 'V', min: 0, max: 200, aboveMin: true },
  panelA: { label: 'The panel’s current', unit: 'A', min: 0, max: 200, aboveMin: true },
  truth: { label: 'The label truth', unit: '%', min: 0, max: 1.2, aboveMin: true, shown: 100 },
  chargeA: { label: 'The charge current', unit: 'A', min: 0, max: 200, aboveMin: true },
  inputV: { label: 'The input limit', unit: 'V', min: 0, max: 1000, aboveMin: true },
  selfUseA: { label: 'The controller’s own draw', unit: 'mA', min: 0, max: 1, shown: 1000 },
  wakeShare: { label: 'The least light', unit: '%', min: 0, max: 0.5, shown: 100 },
  tiltDeg: { label: 'The tilt', unit: '°', min: 0, max: 90 },
  azimuthDeg: { label: 'The direction', unit: '°', min: 0, max: 360 },
  elevationDeg: { label: 'The height of the skyline', unit: '°', min: 0, max: 90 },
  aimMinutes: { label: 'The time between turns', unit: 'min', min: 5, max: 1440 },
  cloud: { label: 'The cloud amount', unit: '%', min: 0, max: 1, shown: 100 },
  windMS: { label: 'The wind', unit: 'm/s', min: 0, max: 60 },
  fraction: { label: 'The shaded share', unit: '%', min: 0, max: 1, aboveMin: true, shown: 100 },
  heightM: { label: 'The height', unit: 'm', min: -450, max: 8850 },
  count: { label: 'The count', unit: '', min: 1, max: 50, whole: true },
  latitudeDeg: { label: 'The latitude', unit: '°', min: -90, max: 90 },
  longitudeDeg: { label: 'The longitude', unit: '°', min: -180, max: 180 },
  usable: { label: 'The usable share', unit: '%', min: 0, max: 1, aboveMin: true, shown: 100 },
  sunA: current('The current from the sun'),
  wantedHours: { label: 'The hours wanted', unit: 'h', min: 0, max: 8760, aboveMin: true },
} as const satisfies Record<string, NumberField>;

export type FieldName = keyof typeof FIELDS;

/** Longest outing, days. */
export const MOST_DAYS = 30;
/** Most hours of weather, hours of shade and points of a skyline in a trip. */
export const MOST_WEATHER_HOURS = 1000;
export const MOST_SHADES = 100;
export const MOST_SKYLINE = 720;
/** Most blocks in a trip, items in a loadout, gear in a shelf file. */
export const MOST_BLOCKS = 500;
export const MOST_ITEMS = 100;
export const MOST_GEAR = 2000;
