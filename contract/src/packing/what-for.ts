import type { Gear } from '../documents/gear.js';

/** What a piece is there for, in a sentence. */
export function whatFor(gear: Gear): string {
  switch (gear.kind) {
    case 'radio':
      return 'It is the radio.';
    case 'battery':
    case 'station':
      return 'It feeds everything.';
    case 'panel':
      return 'It brings charge back while there is light.';
    case 'controller':
      return 'It stands between panel and battery: without it the panel brings nothing.';
    case 'amplifier':
      return 'It makes the signal stronger, for more current.';
    case 'lead':
      return gear.run === 'panel' || gear.run === 'controller'
        ? 'It connects panel and battery.'
        : 'It connects the battery to what it feeds.';
    case 'accessory':
      return 'It takes current by its own rule, which the forecast counts.';
    case 'charger':
      return 'It fills the batteries before leaving; out there it charges in the hours that you give it.';
    case 'generator':
      return 'It gives mains voltage where there are none, for a charger.';
    case 'distribution':
      return 'It splits the battery’s cable, one branch for each load.';
    case 'antenna':
      return 'Without it nobody hears you.';
    case 'other':
      return 'The forecast does not count it.';
  }
}
