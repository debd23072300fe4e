import { habits } from './habits.js';

/** A unit as it is written behind a number, and how many of its base unit it is. */
interface Written {
  /** Units of one dimension share their base. */
  readonly base: 'g' | 'm' | 'm/s' | '°C' | 'A' | 'Ah' | 'V' | 'W' | 'Wh' | 'mΩ' | 'min' | 'l';
  readonly toBase: (value: number) => number;
  readonly fromBase: (value: number) => number;
}

const times = (base: Written['base'], factor: number): Written => ({
  base,
  toBase: (value) => value * factor,
  fromBase: (value) => value / factor,
});

/**
 * Units that people type, by what they write, in small letters where the letter's size means nothing. A pound is 453.59237 g, an
 * inch 25.4 mm and a mile 1609.344 m by definition. Source: international yard and pound agreement (1959).
 */
const UNITS: ReadonlyMap<string, Written> = new Map(
  Object.entries<Written>({
    'g gram grams': times('g', 1),
    'kg kilo kilos kilogram kilograms': times('g', 1000),
    'oz ounce ounces': times('g', 28.349523125),
    'lb lbs pound pounds': times('g', 453.59237),
    'm metre metres meter meters': times('m', 1),
    cm: times('m', 0.01),
    mm: times('m', 0.001),
    km: times('m', 1000),
    'ft foot feet ′': times('m', 0.3048),
    'in inch inches ″': times('m', 0.0254),
    'mi mile miles': times('m', 1609.344),
    'm/s ms': times('m/s', 1),
    'km/h kmh kph': times('m/s', 1 / 3.6),
    'mph mi/h': times('m/s', 0.44704),
    'kn kt kts knot knots': times('m/s', 1852 / 3600),
    '°c c': times('°C', 1),
    '°f f': {
      base: '°C',
      toBase: (value: number) => ((value - 32) * 5) / 9,
      fromBase: (value: number) => (value * 9) / 5 + 32,
    },
    a: times('A', 1),
    ma: times('A', 0.001),
    ah: times('Ah', 1),
    mah: times('Ah', 0.001),
    v: times('V', 1),
    mv: times('V', 0.001),
    w: times('W', 1),
    kw: times('W', 1000),
    mw: times('W', 0.001),
    wh: times('Wh', 1),
    kwh: times('Wh', 1000),
    mwh: times('Wh', 0.001),
    'mω mohm': times('mΩ', 1),
    'ω ohm': times('mΩ', 1000),
    's sec second seconds': times('min', 1 / 60),
    'min minute minutes': times('min', 1),
    'h hr hrs hour hours': times('min', 60),
    'd day days': times('min', 1440),
    'l litre litres liter liters': times('l', 1),
    ml: times('l', 0.001),
    gal: times('l', 3.785411784),
    qt: times('l', 0.946352946),
  }).flatMap(([words, unit]): [string, Written][] => words.split(' ').map((word) => [word, unit])),
);

const written = (unit: string): Written | undefined => UNITS.get(unit.trim().toLowerCase().replace('º', '°'));

/** A value in one unit told in another of the same dimension, or null where they have none in common. */
export function converted(value: number, from: string, to: string): number | null {
  if (from.trim().toLowerCase() === to.trim().toLowerCase()) return value;
  const [a, b] = [written(from), written(to)];
  return a && b && a.base === b.base ? b.fromBase(a.toBase(value)) : null;
}

/** What those who measure in US customary units read instead of a metric unit. */
const CUSTOMARY: ReadonlyMap<string, string> = new Map([
  ['g', 'oz'],
  ['kg', 'lb'],
  ['cm', 'in'],
  ['m', 'ft'],
  ['m/s', 'mph'],
  ['°C', '°F'],
]);

/** The unit in which a quantity of this metric unit is read and typed in the habits of the moment. */
export const unitHere = (metric: string): string =>
  habits().units === 'us' ? (CUSTOMARY.get(metric) ?? metric) : metric;

/** A value of a metric unit in the unit that is read here. */
export const here = (value: number, metric: string): number =>
  converted(value, metric, unitHere(metric)) ?? value;

/** The value nearest to one of a metric unit that is a whole number where it is read here, in the metric unit. */
export const roundHere = (value: number, metric: string): number =>
  converted(Math.round(here(value, metric)), unitHere(metric), metric) ?? value;
