import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { sayDay, sayHour, sayMoney, sayQuantity } from '@knapsack/core';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { CURRENCIES, settingsOf, type Settings } from '../shell/settings';
import { SettingsService } from '../shell/settings.service';
import { THEMES, ThemeService } from '../shell/theme.service';
import type { ThemeName } from '../shell/theme.service';
import { InstrumentsComponent } from './instruments.component';
import { OtherDevicesComponent } from './other-devices.component';
import { ThisDeviceComponent } from './this-device.component';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
/** An evening in September, and what weighs and costs something, to see what a choice does. */
const EXAMPLE = { timeMs: Date.UTC(2027, 8, 4, 18, 40), grams: 2310, celsius: 15, windMS: 6, lengthM: 2.5 };

/** Units and habits, chosen once for every trip in this browser. */
@Component({
  selector: 'ks-settings',
  imports: [
    InlineChoiceComponent,
    InstrumentsComponent,
    OtherDevicesComponent,
    RouterLink,
    ThisDeviceComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings.page.html',
})
export class SettingsPage {
  private readonly service = inject(SettingsService);
  private readonly themes = inject(ThemeService);
  protected readonly settings = this.service.settings;
  protected readonly theme = this.themes.theme;

  protected readonly themeChoices = THEMES.map(({ name, label, about }) => ({
    value: name,
    label: `${label}: ${about}`,
  }));
  protected readonly units = [
    { value: 'metric', label: 'metric: kg, °C, m, m/s, mm²' },
    { value: 'us', label: 'US customary: lb and oz, °F, ft, mph, AWG' },
  ] as const;
  protected readonly clocks = [
    { value: '24', label: '24 hours: 18:40' },
    { value: '12', label: '12 hours: 6:40 PM' },
  ];
  protected readonly currencies = [
    { value: '', label: 'none: a plain number' },
    ...CURRENCIES.map((code) => ({ value: code, label: `${code}, ${nameOf(code)}` })),
  ];
  protected readonly weekdays = WEEKDAYS.map((label, index) => ({ value: String(index + 1), label }));
  protected readonly keys = [
    { value: 'on', label: 'on: n, u, g then p and others' },
    { value: 'off', label: 'off: arrows, Enter, Delete and ?' },
  ] as const;

  /** How it reads now. */
  protected readonly example = computed(() => {
    this.settings();
    const { timeMs, grams, celsius, windMS, lengthM } = EXAMPLE;
    return [
      `${sayDay(timeMs, 'UTC')}, ${sayHour(timeMs, 'UTC')}`,
      sayQuantity({ value: celsius, unit: 'C' }),
      `wind ${sayQuantity({ value: windMS, unit: 'm/s' })}`,
      `${sayQuantity({ value: grams, unit: 'g' })} for ${sayMoney(120)}`,
      `a cable of ${sayQuantity({ value: lengthM, unit: 'm' })}`,
    ].join(' · ');
  });

  protected set(change: Partial<Settings>): void {
    this.service.change(change);
  }

  protected setClock(value: string): void {
    this.set({ clock: value === '12' ? 12 : 24 });
  }

  protected setFirstDay(value: string): void {
    this.set({ firstDay: Number(value) });
  }

  protected setTheme(name: ThemeName): void {
    this.themes.choose(name);
  }

  protected asTheBrowser(): void {
    this.set(settingsOf(navigator.language));
  }
}

const nameOf = (code: string): string => new Intl.DisplayNames('en', { type: 'currency' }).of(code) ?? code;
