/** What a column of a weather table holds, found by its heading. */
export type WeatherColumn = 'time' | 'cloud' | 'rain' | 'temperatureC' | 'windMS' | 'air';

/** A column: what it holds, and what its numbers are multiplied with and shifted by. */
export interface ColumnMeaning {
  readonly column: WeatherColumn;
  readonly read: (value: number) => number;
}

const as = (column: WeatherColumn, read: (value: number) => number = (value) => value): ColumnMeaning => ({
  column,
  read,
});

const KNOT_MS = 0.514444;
/** From so much on, mm in the hour, rain is what the model calls rain or thick overcast. */
const RAIN_MM = 0.5;

/** Headings by the words that they begin with and the unit that they name; letters and digits only. The first that fits counts. */
const HEADINGS: readonly (readonly [RegExp, ColumnMeaning])[] = [
  [/^(time|date|datetime|timestamp|hour|start|valid)/, as('time')],
  [/^(cloud|clouds|cloudcover|cloudamount|sky).*(okta|eighth|8)/, as('cloud', (value) => value / 8)],
  [/^(cloud|sky).*(percent|pct)/, as('cloud', (value) => value / 100)],
  [/^(cloud|sky)/, as('cloud')],
  [/^(rain|precip).*mm/, as('rain', (value) => (value >= RAIN_MM ? 1 : 0))],
  [/^(rain|precip)/, as('rain')],
  [/^air(word)?$/, as('air')],
  [/^(temp|air|t2m).*(fahrenheit|degf|f)$/, as('temperatureC', (value) => ((value - 32) * 5) / 9)],
  [/^(temp|air|t2m)/, as('temperatureC')],
  [/^wind.*(dir|gust)/, as('time', () => NaN)],
  [/^wind.*(kmh|kph)/, as('windMS', (value) => value / 3.6)],
  [/^wind.*(kn|kt|knot|knots)$/, as('windMS', (value) => value * KNOT_MS)],
  [/^wind.*mph/, as('windMS', (value) => value * 0.44704)],
  [/^wind/, as('windMS')],
];

/** What a heading means, or null where it is none that is understood. */
export function meaningOf(heading: string): ColumnMeaning | null {
  const bare = heading
    .toLowerCase()
    .replaceAll('%', 'percent')
    .replaceAll(/[^a-z0-9]/g, '');
  const found = HEADINGS.find(([pattern]) => pattern.test(bare))?.[1] ?? null;
  return found && Number.isNaN(found.read(0)) ? null : found;
}
