import type { Habits } from '@knapsack/core';
import { browserMemory } from './browser-memory';

/** What one chooses once, for every trip, in this browser. */
export interface Settings extends Habits {
  /** Single letters do something outside of fields; "g then a letter" too. */
  readonly oneLetterKeys: boolean;
  /** 1 for Monday to 7 for Sunday. */
  readonly firstDay: number;
}

const KEPT_AS = 'knapsack.settings';

/** Countries that measure in US customary units. */
const CUSTOMARY = ['US', 'LR', 'MM'];
const EURO = [
  ...['AT', 'BE', 'HR', 'CY', 'EE', 'FI', 'FR', 'DE', 'GR', 'IE'],
  ...['IT', 'LV', 'LT', 'LU', 'MT', 'NL', 'PT', 'SK', 'SI', 'ES'],
];
/** Money of a country, ISO 3166 to ISO 4217, of those whose operators are many. */
const MONEY: ReadonlyMap<string, string> = new Map([
  ...EURO.map((country): [string, string] => [country, 'EUR']),
  ...(
    'US USD,GB GBP,CA CAD,AU AUD,NZ NZD,JP JPY,CN CNY,IN INR,BR BRL,MX MXN,ZA ZAR,CH CHF,NO NOK,SE SEK,DK DKK,' +
    'PL PLN,CZ CZK,HU HUF,RO RON,BG BGN,TR TRY,UA UAH,IL ILS,KR KRW,TW TWD,TH THB,ID IDR,PH PHP,AR ARS,CL CLP'
  )
    .split(',')
    .map((pair): [string, string] => [pair.slice(0, 2), pair.slice(3)]),
]);
const FIRST_IS_SUNDAY = ['US', 'CA', 'JP', 'IN', 'BR', 'MX', 'ZA', 'IL', 'KR', 'TW', 'TH', 'PH', 'AU'];

export const CURRENCIES: readonly string[] = [...new Set(MONEY.values())].sort();

/** What this browser's language lets one expect; asked for once, since that takes a while. */
let usualHere: Settings | null = null;

/** What the language of a browser lets one expect, such as "en-US" or "de". */
export function settingsOf(language: string): Settings {
  const region = regionOf(language);
  const { hour12 } = new Intl.DateTimeFormat(language, { hour: 'numeric' }).resolvedOptions();
  return {
    units: CUSTOMARY.includes(region) ? 'us' : 'metric',
    clock: hour12 ? 12 : 24,
    currency: MONEY.get(region) ?? '',
    firstDay: FIRST_IS_SUNDAY.includes(region) ? 7 : 1,
    oneLetterKeys: true,
  };
}

/** The settings of this browser: what was chosen in it, and where nothing was, what its language lets one expect. */
export function keptSettings(): Settings {
  const usual = (usualHere ??= settingsOf(navigator.language));
  try {
    const kept = JSON.parse(browserMemory.read(KEPT_AS) ?? '{}') as Record<keyof Settings, unknown>;
    return {
      units: kept.units === 'us' || kept.units === 'metric' ? kept.units : usual.units,
      clock: kept.clock === 12 || kept.clock === 24 ? kept.clock : usual.clock,
      currency: kept.currency === '' || isCurrency(kept.currency) ? kept.currency : usual.currency,
      firstDay: typeof kept.firstDay === 'number' ? kept.firstDay : usual.firstDay,
      oneLetterKeys: typeof kept.oneLetterKeys === 'boolean' ? kept.oneLetterKeys : true,
    };
  } catch {
    return usual;
  }
}

export const keepSettings = (settings: Settings): void =>
  browserMemory.write(KEPT_AS, JSON.stringify(settings));

const isCurrency = (value: unknown): value is string => typeof value === 'string' && /^[A-Z]{3}$/.test(value);

function regionOf(language: string): string {
  try {
    return new Intl.Locale(language).maximize().region ?? '';
  } catch {
    return '';
  }
}
