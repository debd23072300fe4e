import { computed, Injectable, signal } from '@angular/core';
import { browserMemory } from './browser-memory';

export const THEMES = [
  { name: 'paper', label: 'Paper', icon: 'bi-book', about: 'day and indoors' },
  { name: 'glare', label: 'Glare', icon: 'bi-brightness-high', about: 'full sun' },
  { name: 'ember', label: 'Ember', icon: 'bi-moon-stars', about: 'saves night vision' },
] as const;

export type ThemeName = (typeof THEMES)[number]['name'];

const KEPT_AS = 'knapsack.theme';

/** The theme of the page, kept in this browser. */
@Injectable({ providedIn: 'root' })
export class ThemeService {
  private readonly chosen = signal<ThemeName>(kept() ?? ofSystem());
  private readonly colours = signal(0);
  /** The theme; told anew too when the system puts its own colours in the place of ours. */
  readonly theme = computed(() => {
    this.colours();
    return this.chosen();
  });

  constructor() {
    this.show(this.theme());
    // Until a theme is chosen here it goes with the system.
    for (const query of [DARK, CONTRAST])
      query.addEventListener('change', () => {
        if (kept() === null) this.show(ofSystem());
      });
    FORCED.addEventListener('change', () => this.colours.update((count) => count + 1));
  }

  next(): void {
    const index = THEMES.findIndex(({ name }) => name === this.theme());
    this.choose(THEMES[(index + 1) % THEMES.length].name);
  }

  choose(name: ThemeName): void {
    browserMemory.write(KEPT_AS, name);
    this.show(name);
  }

  /** The page takes the theme's colours before anyone is told, so that drawings read the new ones. */
  private show(name: ThemeName): void {
    document.documentElement.dataset['theme'] = name;
    this.chosen.set(name);
  }
}

const DARK = matchMedia('(prefers-color-scheme: dark)');
const CONTRAST = matchMedia('(prefers-contrast: more)');
const FORCED = matchMedia('(forced-colors: active)');

/** What the system asks for: strong contrast, else dark, else neither. */
const ofSystem = (): ThemeName => (CONTRAST.matches ? 'glare' : DARK.matches ? 'ember' : 'paper');

function kept(): ThemeName | null {
  const name = browserMemory.read(KEPT_AS);
  return THEMES.find((theme) => theme.name === name)?.name ?? null;
}
