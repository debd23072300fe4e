import { ChangeDetectionStrategy, Component, inject, viewChild, type ElementRef } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { filter, map } from 'rxjs';
import { chapterFor } from './guide/guide-link';
import { NoticesComponent } from './shell/notices.component';
import { FocusKeeper } from './shell/focus-keeper.service';
import { KeysService } from './shell/keys.service';
import { RecordingSign } from './shell/recording-sign.service';
import { ReleaseWatch } from './shell/release-watch.service';
import { SentAway } from './shell/sent-away.service';
import { ShortcutsDialog } from './shell/shortcuts.dialog';
import { SpeechService } from './shell/speech.service';
import { ThemeService, THEMES } from './shell/theme.service';

/** The page that is open, within the one that holds it. */
const openPage = (main: HTMLElement): HTMLElement =>
  ([...main.querySelectorAll('router-outlet')].at(-1)?.nextElementSibling as HTMLElement | null) ?? main;

/** The frame of every room: the rail, the room, the notices. */
@Component({
  selector: 'ks-root',
  imports: [RouterLink, RouterLinkActive, RouterOutlet, NoticesComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <a class="skip" href="#room" (click)="skip($event)">Skip to the page</a>
    <nav class="rail" aria-label="Rooms">
      <a
        routerLink="/"
        routerLinkActive="here"
        ariaCurrentWhenActive="page"
        [routerLinkActiveOptions]="{ exact: true }"
        class="rail-item"
      >
        <i class="bi bi-signpost-split" aria-hidden="true"></i><span>Trips</span>
      </a>
      <a routerLink="/gear" routerLinkActive="here" ariaCurrentWhenActive="page" class="rail-item">
        <i class="bi bi-backpack" aria-hidden="true"></i><span>Gear</span>
      </a>
      <a
        routerLink="/bench"
        routerLinkActive="here"
        ariaCurrentWhenActive="page"
        class="rail-item"
        [attr.aria-label]="recording() ? 'Bench, recording' : null"
      >
        <i
          class="bi"
          [class]="recording() ? 'bi-record-circle recording' : 'bi-activity'"
          aria-hidden="true"
        ></i
        ><span>Bench</span>
      </a>
      <a routerLink="/logbook" routerLinkActive="here" ariaCurrentWhenActive="page" class="rail-item">
        <i class="bi bi-journal-text" aria-hidden="true"></i><span>Logbook</span>
      </a>
      <a routerLink="/sum" routerLinkActive="here" ariaCurrentWhenActive="page" class="rail-item">
        <i class="bi bi-calculator" aria-hidden="true"></i><span>Quick sum</span>
      </a>
      <span class="rail-gap"></span>
      <button
        type="button"
        class="rail-item second"
        (click)="themes.next()"
        [attr.aria-label]="'Theme: ' + theme().label + '. Change it'"
        title="Theme: paper for indoors, glare for full sun, ember for the night"
      >
        <i class="bi" [class]="theme().icon" aria-hidden="true"></i><span>Theme</span>
      </button>
      <a
        [routerLink]="['/guide', chapter()]"
        routerLinkActive="here"
        ariaCurrentWhenActive="page"
        class="rail-item second"
        title="What this page answers and how to read it"
      >
        <i class="bi bi-question-circle" aria-hidden="true"></i><span>Guide</span>
      </a>
      <a routerLink="/settings" routerLinkActive="here" ariaCurrentWhenActive="page" class="rail-item second">
        <i class="bi bi-sliders" aria-hidden="true"></i><span>Settings</span>
      </a>
      <button type="button" class="rail-item second key-list" (click)="help()" aria-label="Keys">
        <i class="bi bi-keyboard" aria-hidden="true"></i><span>Keys</span>
      </button>
    </nav>
    <main class="room" id="room" tabindex="-1" #room>
      @if (sentAway.told()) {
        <div class="empty" role="alert">
          <p class="lead">
            This device was sent away.
            {{
              sentAway.cleared() ? 'What it held of Knapsack is cleared.' : 'What it holds is being cleared …'
            }}
          </p>
          <p><a class="solid" href="/login">Log in again</a></p>
        </div>
      } @else {
        <router-outlet />
      }
    </main>
    <ks-notices />
    <p class="visually-hidden" role="status" aria-live="polite" id="spoken">{{ spoken() }}</p>
  `,
})
export class AppComponent {
  protected readonly themes = inject(ThemeService);
  protected readonly sentAway = inject(SentAway);
  protected readonly recording = inject(RecordingSign).on;
  private readonly keys = inject(KeysService);
  private readonly main = viewChild.required<ElementRef<HTMLElement>>('room');
  private readonly modals = inject(NgbModal);
  private readonly router = inject(Router);

  private readonly focus = inject(FocusKeeper);
  protected readonly spoken = inject(SpeechService).words;

  constructor() {
    inject(ReleaseWatch);
    let page = '';
    this.router.events
      .pipe(
        filter((event) => event instanceof NavigationEnd),
        takeUntilDestroyed(),
      )
      .subscribe(({ urlAfterRedirects }) => {
        const [to] = urlAfterRedirects.split(/[?#]/);
        // Another page begins at its own first line, as when it is loaded; the first one is.
        if (page !== '' && page !== to) this.focus.go(() => openPage(this.main().nativeElement));
        page = to;
      });
    this.keys.pressed.pipe(takeUntilDestroyed()).subscribe((event) => {
      if (event.ctrlKey || event.metaKey || event.altKey || this.keys.waitsForRoom(event)) return;
      if (event.key === '?') this.help();
      if (event.key === 't') this.themes.next();
    });
  }

  /** The chapter of the guide that tells of the page on which one is. */
  protected readonly chapter = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd && !event.urlAfterRedirects.startsWith('/guide')),
      map(() => chapterFor(this.router.url)),
    ),
    { initialValue: chapterFor(location.pathname) },
  );

  protected theme() {
    return THEMES.find(({ name }) => name === this.themes.theme()) ?? THEMES[0];
  }

  /** Past the rail; by the address alone the router would go elsewhere. */
  protected skip(event: Event): void {
    event.preventDefault();
    this.main().nativeElement.focus();
  }

  protected help(): void {
    if (!this.modals.hasOpenModals())
      this.modals.open(ShortcutsDialog, { ariaLabelledBy: 'shortcuts-title' });
  }
}
