import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { chanceMark } from '@knapsack/core';
import { MARKS } from '../parts/marks';
import { ChanceStore } from './chance.store';
import { PlanStore } from './trip.store';
import { PackStore } from '../pack/pack.store';
import { RehearseStore } from '../rehearse/rehearse.store';
import { WireStore } from './wire.store';

type Sign = 'fine' | 'look' | 'stop';

interface Room {
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
          [routerLink]="room.link"
          routerLinkActive="here"
          [routerLinkActiveOptions]="{ exact: true }"
          ariaCurrentWhenActive="page"
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
  private readonly store = inject(PlanStore);
  private readonly chances = inject(ChanceStore);
  private readonly wire = inject(WireStore);
  private readonly pack = inject(PackStore);
  private readonly rehearse = inject(RehearseStore);
  protected readonly signs = MARKS;
  protected readonly rooms = computed<readonly Room[]>(() => {
    const id = this.store.trip()?.id ?? '';
    return [
      { words: 'Plan', link: ['/trips', id], sign: this.planSign() },
      { words: 'Size', link: ['/trips', id, 'size'], sign: this.sizeSign() },
      { words: 'Wire', link: ['/trips', id, 'wire'], sign: this.wire.worst() },
      { words: 'Pack', link: ['/trips', id, 'pack'], sign: this.pack.sign() },
      { words: 'Rehearse', link: ['/trips', id, 'rehearse'], sign: this.rehearse.sign() },
      { words: 'Card', link: ['/trips', id, 'card'], sign: null },
    ];
  });

  private planSign(): Sign | null {
    const mark = this.chances.mark();
    return mark === 'calculating' || mark === 'unknown' ? null : mark;
  }

  private sizeSign(): Sign | null {
    const chance = this.chances.chance();
    return chance && chanceMark(chance, chance.target);
  }
}
