import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { NoticesComponent } from './shell/notices.component';
import { KeysService } from './shell/keys.service';
import { RecordingSign } from './shell/recording-sign.service';
import { ShortcutsDialog } from './shell/shortcuts.dialog';
import { ThemeService, THEMES } from './shell/theme.service';

/** The frame of every room: the rail, the room, the notices. */
@Component({
  selector: 'ks-root',
  imports: [RouterLink, RouterLinkActive, RouterOutlet, NoticesComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav class="rail" aria-label="Rooms">
      <a routerLink="/" routerLinkActive="here" [routerLinkActiveOptions]="{ exact: true }" class="rail-item">
        <i class="bi bi-signpost-split" aria-hidden="true"></i><span>Trips</span>
      </a>
      <a routerLink="/gear" routerLinkActive="here" class="rail-item">
        <i class="bi bi-backpack" aria-hidden="true"></i><span>Gear</span>
      </a>
      <a
        routerLink="/bench"
        routerLinkActive="here"
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
      <a routerLink="/sum" routerLinkActive="here" class="rail-item">
        <i class="bi bi-calculator" aria-hidden="true"></i><span>Sum</span>
      </a>
      <span class="rail-gap"></span>
      <button
        type="button"
        class="rail-item"
        (click)="themes.next()"
        [attr.aria-label]="'Theme ' + theme().label + ', change'"
      >
        <i class="bi" [class]="theme().icon" aria-hidden="true"></i><span>{{ theme().label }}</span>
      </button>
      <button type="button" class="rail-item" (click)="help()" aria-label="Keys">
        <i class="bi bi-keyboard" aria-hidden="true"></i><span>Keys</span>
      </button>
    </nav>
    <main class="room"><router-outlet /></main>
    <ks-notices />
  `,
})
export class AppComponent {
  protected readonly themes = inject(ThemeService);
  protected readonly recording = inject(RecordingSign).on;
  private readonly keys = inject(KeysService);
  private readonly modals = inject(NgbModal);

  constructor() {
    this.keys.pressed.pipe(takeUntilDestroyed()).subscribe((event) => {
      if (event.ctrlKey || event.metaKey || event.altKey || this.keys.waitsForRoom(event)) return;
      if (event.key === '?') this.help();
      if (event.key === 't') this.themes.next();
    });
  }

  protected theme() {
    return THEMES.find(({ name }) => name === this.themes.theme()) ?? THEMES[0];
  }

  protected help(): void {
    if (!this.modals.hasOpenModals())
      this.modals.open(ShortcutsDialog, { ariaLabelledBy: 'shortcuts-title' });
  }
}
