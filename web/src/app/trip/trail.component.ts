import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { MARKS } from '../parts/marks';
import { roomSigns, type Sign } from './room-signs';
import { roomAddress, ROOMS } from './rooms';
import { TripStore } from './trip.store';

interface Shown {
  readonly words: string;
  readonly link: readonly string[];
  readonly sign: Sign | null;
}

/** The rooms of a trip in the order of the work, each with a sign of how it stands. */
@Component({
  selector: 'ks-trail',
  imports: [RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav class="trail" aria-label="Rooms of this trip">
      @for (room of rooms(); track room.words) {
        <a
          #way
          [routerLink]="room.link"
          routerLinkActive="here"
          [routerLinkActiveOptions]="{ exact: true }"
          ariaCurrentWhenActive="page"
          (isActiveChange)="$event && show(way)"
        >
          @if (room.sign; as sign) {
            <i
              class="bi"
              [class]="signs[sign].icon + ' ' + sign"
              role="img"
              [attr.aria-label]="signs[sign].word"
            ></i>
          }
          {{ room.words }}
        </a>
      }
    </nav>
  `,
})
export class TrailComponent {
  private readonly store = inject(TripStore);
  private readonly roomSigns = roomSigns();
  protected readonly signs = MARKS;
  protected readonly rooms = computed<readonly Shown[]>(() => {
    const id = this.store.trip()?.id ?? '';
    return ROOMS.map((room) => ({
      words: room.name,
      link: roomAddress(id, room),
      sign: this.roomSigns.get(room.path)?.() ?? null,
    }));
  });

  /** The room that one is in stands in sight where the line is longer than the screen. */
  protected show(way: HTMLElement): void {
    // Told once the page is laid out: asked for before, it would be laid out for this alone.
    new ResizeObserver((_, laidOut) => {
      laidOut.disconnect();
      const line = way.parentElement;
      if (!line) return;
      const [one, all] = [way.getBoundingClientRect(), line.getBoundingClientRect()];
      line.scrollLeft += one.left + one.width / 2 - (all.left + all.width / 2);
    }).observe(way);
  }
}
