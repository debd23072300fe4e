import { browserMemory } from './browser-memory';
import { keepSettings, keptSettings, settingsOf } from './settings';

describe('settings', () => {
  afterEach(() => localStorage.removeItem('knapsack.settings'));

  it('begin as the browser’s language lets one expect', () => {
    expect(settingsOf('en-US')).toEqual({
      units: 'us',
      clock: 12,
      currency: 'USD',
      firstDay: 7,
      oneLetterKeys: true,
    });
    expect(settingsOf('en-IE')).toEqual(
      jasmine.objectContaining({ units: 'metric', clock: 24, currency: 'EUR' }),
    );
    // A language without its country is taken to be spoken where most speak it.
    expect(settingsOf('de')).toEqual(
      jasmine.objectContaining({ units: 'metric', currency: 'EUR', firstDay: 1 }),
    );
    expect(settingsOf('nb-NO').currency).toBe('NOK');
    expect(settingsOf('la').currency).toBe('');
  });

  it('are what was chosen, as far as it can be read', () => {
    const chosen = { units: 'us', clock: 24, currency: 'CAD', firstDay: 7, oneLetterKeys: false } as const;
    keepSettings(chosen);
    expect(keptSettings()).toEqual(chosen);
    browserMemory.write('knapsack.settings', '{"units": "constructor", "clock": 12, "currency": "euro"}');
    expect(keptSettings()).toEqual({ ...settingsOf(navigator.language), clock: 12 });
    browserMemory.write('knapsack.settings', '{"units');
    expect(keptSettings()).toEqual(settingsOf(navigator.language));
  });
});
