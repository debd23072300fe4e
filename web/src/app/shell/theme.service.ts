import { Injectable, signal } from '@angular/core';
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
  private readonly chosen = signal<ThemeName>(kept());
  readonly theme = this.chosen.asReadonly();

  constructor() {
    this.choose(this.theme());
  }

  next(): void {
    const index = THEMES.findIndex(({ name }) => name === this.theme());
    this.choose(THEMES[(index + 1) % THEMES.length].name);
  }

  /** The page takes the theme's colours before anyone is told, so that drawings read the new ones. */
  choose(name: ThemeName): void {
    document.documentElement.dataset['theme'] = name;
    browserMemory.write(KEPT_AS, name);
    this.chosen.set(name);
  }
}

function kept(): ThemeName {
  const name = browserMemory.read(KEPT_AS);
  return THEMES.find((theme) => theme.name === name)?.name ?? 'paper';
}
