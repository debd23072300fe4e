import type { NumberField } from './number-field.js';

const current = (label: string): NumberField => ({ label, unit: 'A', min: 0, max: 100, milli: true });
const drawn = (label: string): NumberField => ({
  label,
  unit: 'A',
  min: 0,
  max: 500,
  aboveMin: true,
  milli: true,
});
const volts = (label: string): NumberField => ({ label, unit: 'V', min: 0, max: 60, aboveMin: true });

const watts = (label: string, max: number): NumberField => ({ label, unit: 'W', min: 0, max });
/** More Ah than anyone carries are asked about: they may be mAh. */
const charge = (label: string): NumberField => ({
  label,
  unit: 'Ah',
  min: 0,
  max: 2000,
  aboveMin: true,
  milli: true,
  askAbove: 400,
});

/** Every number of the documents, and what it may be. */
export const FIELDS = {
  receiveA: { ...current('The receive current'), max: 20 },
  transmitA: drawn('The transmit current'),
  rfW: { label: 'The power', unit: 'W', min: 0, max: 2000, aboveMin: true },
  dropoutV: volts('The minimum supply voltage'),
  fullPowerV: volts('The voltage for full power'),
  ratedAh: { ...charge('The capacity') },
  measuredAh: { ...charge('The measured capacity') },
  health: { label: 'The health', unit: '%', min: 0, max: 1.2, aboveMin: true, shown: 100 },
  resistanceOhm: { label: 'The internal resistance', unit: 'mΩ', min: 0, max: 10, shown: 1000 },
  cutoffV: volts('The cut-off voltage'),
  dischargeA: { ...drawn('The discharge limit'), max: 2000 },
  cellsInSeries: { label: 'The count of cells', unit: '', min: 1, max: 40, whole: true },
  drawA: current('The current'),
  drawW: watts('The power', 3000),
  outputW: { label: 'The output power', unit: 'W', min: 0, max: 2000, aboveMin: true },
  startA: { label: 'The start-up current', unit: 'A', min: 0, max: 1000, aboveMin: true },
  slots: { label: 'The cells at once', unit: '', min: 1, max: 20, whole: true },
  cellEndsV: { label: 'The voltage at which it ends', unit: 'V', min: 0, max: 5, aboveMin: true },
  usbW: { label: 'The power of the USB socket', unit: 'W', min: 0, max: 200, aboveMin: true },
  colourDraw: { label: 'The current in one colour', unit: 'A or W', min: 0, max: 3000 },
  aboveC: { label: 'The air temperature', unit: '°C', min: -40, max: 60 },
  transmitDraw: { label: 'The current while transmitting', unit: 'A or W', min: 0, max: 3000 },
  maxV: volts('The maximum supply voltage'),
  wattHours: { label: 'The energy', unit: 'Wh', min: 0, max: 10_000, aboveMin: true },
  chargeW: { ...watts('The charging power', 500), aboveMin: true },
  peakS: { label: 'The time of the peak', unit: 's', min: 0, max: 3600, aboveMin: true },
  socketV: volts('The socket’s voltage'),
  socketA: drawn('The socket’s current'),
  efficiency: { label: 'The efficiency', unit: '%', min: 0.3, max: 1, shown: 100 },
  idleW: watts('The standby power', 100),
  solarW: { ...watts('The solar input', 5000), aboveMin: true },
  anHour: { label: 'The minutes of every hour', unit: 'min', min: 0, max: 60, aboveMin: true },
  lengthM: { label: 'The length', unit: 'm', min: 0, max: 200, aboveMin: true },
  areaMm2: { label: 'The cross section', unit: 'mm²', min: 0.05, max: 120 },
  awg: { label: 'The gauge', unit: 'AWG', min: 0, max: 30, whole: true },
  fuseAtM: { label: 'The distance of the fuse', unit: 'cm', min: 0, max: 200, shown: 100 },
  soc: { label: 'The state of charge', unit: '%', min: 0, max: 1, shown: 100 },
  operators: { label: 'The number of operators', unit: '', min: 1, max: 8, whole: true },
  noise: { label: 'The noise', unit: '', min: -200, max: 200 },
  roomC: { label: 'The temperature of the room', unit: '°C', min: 0, max: 40 },
  loadMinutes: { label: 'The load test', unit: 'min', min: 5, max: 600, whole: true },
  reading: { label: 'The reading', unit: '', min: -1e6, max: 1e6 },
  contactPairs: { label: 'The contact pairs', unit: '', min: 0, max: 40, whole: true },
  fuseA: { label: 'The fuse', unit: 'A', min: 0, max: 500, aboveMin: true },
  bladeA: { label: 'The fuse', unit: 'A', min: 0, max: 300 },
  connectorA: { label: 'The connector’s rating', unit: 'A', min: 0, max: 500, aboveMin: true },
  inSeries: { label: 'The panels in series', unit: '', min: 1, max: 50, whole: true },
  vocPerKelvin: { label: 'The coefficient of Voc', unit: '%/K', min: -0.02, max: 0, shown: 100 },
  storedDays: { label: 'The days in store', unit: 'days', min: 0, max: 730 },
  ownSoc: { label: 'The charge in the radio’s own battery', unit: '%', min: 0, max: 1, shown: 100 },
  piecesAMinute: { label: 'The calls a minute', unit: 'a minute', min: 0, max: 600 },
  pieceSeconds: { label: 'The length of a call', unit: 's', min: 0.05, max: 600 },
  traceSeconds: { label: 'The time on the trace', unit: 's', min: 0, max: 1_000_000 },
  oneSlotIn: { label: 'One slot in how many', unit: 'slots', min: 1, max: 1000 },
  loopOhm: { label: 'The loop resistance', unit: 'mΩ', min: 0, max: 10, shown: 1000 },
  weightG: { label: 'The weight', unit: 'g', min: 0, max: 500_000 },
  carryLimitG: { label: 'The carry limit', unit: 'kg', min: 0, max: 500_000, aboveMin: true, shown: 0.001 },
  packedL: { label: 'The packed size', unit: 'l', min: 0, max: 1000 },
  dryH: { label: 'The time to dry', unit: 'h', min: 0, max: 1000 },
  sockets: { label: 'The sockets', unit: '', min: 0, max: 100, whole: true },
  gainDbi: { label: 'The gain', unit: 'dBi', min: -40, max: 60 },
  tallM: { label: 'The height of mast and antenna', unit: 'm', min: 0, max: 200, aboveMin: true },
  price: { label: 'The price', unit: '', min: 0, max: 10_000_000 },
  lineAt: { label: 'The place in the bag', unit: '', min: 0, max: 100, whole: true },
  outingsAYear: { label: 'The outings a year', unit: 'a year', min: 0, max: 400, aboveMin: true },
  cycles: { label: 'The charge cycles', unit: '', min: 0, max: 100_000, aboveMin: true },
  place: { label: 'The place on the shelf', unit: '', min: -1e9, max: 1e9 },
  spread: { label: 'The spread', unit: '', min: 0, max: 1e6 },
  temperatureC: { label: 'The temperature', unit: '°C', min: -40, max: 60 },
  startSoc: {
    label: 'The state of charge at the start',
    unit: '%',
    min: 0,
    max: 1,
    aboveMin: true,
    shown: 100,
  },
  floorSoc: { label: 'The reserve', unit: '%', min: 0, max: 0.95, shown: 100 },
  share: { label: 'The transmit duty cycle', unit: '%', min: 0, max: 1, shown: 100 },
  modeFactor: { label: 'The mode factor', unit: '', min: 0, max: 1 },
  panelW: { label: 'The panel’s power', unit: 'W', min: 0, max: 5000, aboveMin: true },
  panelV: { label: 'The panel’s voltage', unit: 'V', min: 0, max: 200, aboveMin: true },
  panelA: { label: 'The panel’s current', unit: 'A', min: 0, max: 200, aboveMin: true },
  truth: { label: 'The output against label', unit: '%', min: 0, max: 1.2, aboveMin: true, shown: 100 },
  generatorW: { label: 'The generator’s power', unit: 'W', min: 0, max: 50_000, aboveMin: true },
  fuelLh: { label: 'The fuel', unit: 'l/h', min: 0, max: 50, aboveMin: true },
  soundDb: { label: 'The sound at 7 m', unit: 'dB', min: 20, max: 130 },
  chargeA: { label: 'The charge current', unit: 'A', min: 0, max: 200, aboveMin: true },
  inputV: { label: 'The maximum panel voltage', unit: 'V', min: 0, max: 1000, aboveMin: true },
  selfUseA: { label: 'The standby current', unit: 'mA', min: 0, max: 1, shown: 1000 },
  wakeShare: { label: 'The light it wakes up at', unit: '%', min: 0, max: 0.5, shown: 100 },
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
  station: { label: 'The operating position', unit: '', min: 1, max: 4, whole: true },
  usable: { label: 'The usable share', unit: '%', min: 0, max: 1, aboveMin: true, shown: 100 },
  sunA: current('The current from the sun'),
  hourOfDay: { label: 'The hour of the day', unit: 'h', min: 0, max: 24 },
  worthOfHour: { label: 'What an hour counts', unit: 'times', min: 0, max: 100 },
  worthOfPower: { label: 'What twice the power is worth', unit: '%', min: 0, max: 5, shown: 100 },
  leastShare: { label: 'The least transmit duty cycle', unit: '%', min: 0, max: 0.95, shown: 100 },
  targetChance: { label: 'The target chance', unit: '%', min: 0.5, max: 0.99, shown: 100 },
  targetAvailability: { label: 'The target availability', unit: '%', min: 0.5, max: 1, shown: 100 },
  disconnectV: volts('The disconnect voltage'),
  reconnectV: volts('The reconnect voltage'),
  chargesToV: volts('The charge voltage'),
  outV: volts('The output voltage'),
  readVolts: { label: 'The volts', unit: 'V', min: 0, max: 100 },
  readAmps: { label: 'The current', unit: 'A', min: -500, max: 500, milli: true },
  panelAmps: { label: 'The panel’s current', unit: 'A', min: 0, max: 100, milli: true },
  panelWatts: { label: 'The panel’s power', unit: 'W', min: 0, max: 5000 },
  countedAh: { label: 'The charge', unit: 'Ah', min: 0, max: 10_000, milli: true },
  readPercent: { label: 'The state of charge', unit: '%', min: 0, max: 100 },
  contactCount: { label: 'The number of contacts', unit: '', min: 0, max: 100_000, whole: true },
  shadeNow: { label: 'The shaded share', unit: '%', min: 0, max: 1, shown: 100 },
  onAirHours: { label: 'The hours on the air', unit: 'h', min: 0, max: 720, aboveMin: true },
  secondsSent: { label: 'The time sent for a contact', unit: 's', min: 0, max: 3600, aboveMin: true },
  requirement: { label: 'The target', unit: '', min: 0, max: 1_000_000 },
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
/** Most operating positions on one battery, and most variants beside the one in hand. */
export const MOST_POSITIONS = 4;
export const MOST_VARIANTS = 3;
export const MOST_ITEMS = 100;
export const MOST_GEAR = 2000;
/** Most hours of an accessory's own, measured modes of a radio, fuses of a cable. */
export const MOST_OWN_HOURS = 200;
export const MOST_FUSES = 10;
/** Most tags and connectors of an item, and their length. */
export const MOST_TAGS = 20;
export const LONGEST_TAG = 40;
/** Most parts of a harness, bags of an outing, results of a home test, bands listened on. */
export const MOST_PARTS = 100;
export const MOST_BAGS = 20;
export const MOST_RESULTS = 200;
export const MOST_BANDS = 40;
