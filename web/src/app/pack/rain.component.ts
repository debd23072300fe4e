import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { sayRain, sayWetPack } from '@knapsack/contract/site';
import { TripStore } from '../trip/trip.store';
import { PackStore } from './pack.store';

const SIGNS = { look: 'bi-triangle-fill', note: 'bi-droplet' } as const;

/** What rain in the forecast does to the bag: water carried home, what must be kept dry, what is packed wet. */
@Component({
  selector: 'ks-rain',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (said(); as said) {
      <p class="pack-rain-head">{{ said.rain }}</p>
      @if (said.lines.length > 0) {
        <ul class="pack-rain" aria-label="What rain asks of the bag">
          @for (line of said.lines; track line.sentence) {
            <li>
              <i
                class="bi"
                [class]="signs[line.sign] + ' ' + line.sign"
                role="img"
                [attr.aria-label]="line.sign === 'look' ? 'check' : 'note'"
              ></i>
              {{ line.sentence }}
            </li>
          }
        </ul>
      }
    }
  `,
})
export class RainComponent {
  private readonly plan = inject(TripStore);
  private readonly store = inject(PackStore);
  protected readonly signs = SIGNS;
  protected readonly said = computed(() => {
    const [wet, list] = [this.store.wet(), this.store.list()];
    const zone = this.plan.trip()?.place.timeZone ?? 'UTC';
    return wet && list && list.lines > 0
      ? { rain: sayRain(wet.rain, zone), lines: sayWetPack(wet, list.limitG, zone) }
      : null;
  });
}
