import { ViewportScroller } from '@angular/common';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
} from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { CHAPTERS } from './chapters';

/** All chapters one after the other, for paper. */
const BOOKLET = 'booklet';

/** A chapter of the guide, with the others beside it; or all of them as a booklet. */
@Component({
  selector: 'ks-guide',
  imports: [RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page wide guide">
      <nav class="chapters" aria-label="Chapters of the guide">
        @for (chapter of chapters; track chapter.name) {
          <a
            [routerLink]="['/guide', chapter.name]"
            routerLinkActive="here"
            ariaCurrentWhenActive="page"
            [attr.aria-label]="'Chapter ' + chapter.title"
            >{{ chapter.title }}</a
          >
        }
        <a routerLink="/guide/booklet" routerLinkActive="here">All of it, to print</a>
      </nav>
      <div class="text">
        @if (isBooklet()) {
          <button type="button" class="solid" (click)="print()">Print the booklet</button>
        }
        @for (chapter of shown(); track chapter.name) {
          <article [innerHTML]="chapter.html"></article>
        } @empty {
          <p>The guide has no chapter of this name. Choose one on the left.</p>
        }
      </div>
    </div>
  `,
})
export class GuidePage {
  /** The chapter's name, out of the address. */
  readonly chapter = input('begin');
  private readonly sanitizer = inject(DomSanitizer);
  private readonly scroller = inject(ViewportScroller);
  protected readonly chapters = CHAPTERS;
  protected readonly isBooklet = computed(() => this.chapter() === BOOKLET);
  /** The text ships with the page, so that its anchors need no taking out. */
  protected readonly shown = computed(() =>
    CHAPTERS.filter(({ name }) => this.isBooklet() || name === this.chapter()).map(({ name, html }) => ({
      name,
      html: this.sanitizer.bypassSecurityTrustHtml(html),
    })),
  );

  constructor() {
    // A term of the glossary is where its address says.
    afterRenderEffect(() => {
      this.shown();
      const term = decodeURIComponent(location.hash.slice(1));
      if (term) this.scroller.scrollToAnchor(term);
    });
  }

  protected print(): void {
    window.print();
  }
}
