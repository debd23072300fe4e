import { effect, inject, Injectable, signal } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { TitleStrategy, type RouterStateSnapshot } from '@angular/router';

/** The window's title: what the page is about, the page, the application. "Gannet Rock light: Plan · Knapsack". */
@Injectable({ providedIn: 'root' })
export class PageTitles extends TitleStrategy {
  private readonly title = inject(Title);
  /** What the page is about, as the trip; null where it speaks for itself. */
  readonly subject = signal<string | null>(null);
  private readonly named = signal('');
  readonly page = this.named.asReadonly();

  constructor() {
    super();
    effect(() => {
      const [subject, page] = [this.subject(), this.page()];
      const name = subject === null ? page : page === '' ? subject : `${subject}: ${page}`;
      this.title.setTitle(name === '' ? 'Knapsack' : `${name} · Knapsack`);
    });
  }

  override updateTitle(state: RouterStateSnapshot): void {
    this.named.set(this.buildTitle(state) ?? '');
  }
}
