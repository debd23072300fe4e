import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { quickTrip } from '@knapsack/contract';
import {
  CHEMISTRIES,
  CHEMISTRY_NAMES,
  quickSum,
  sayDuration,
  sayQuantity,
  type ChemistryName,
  type QuickSumInput,
} from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { newKey } from '../data/new-id';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { localZone, nextHour } from '../data/new-trip';
import { browserMemory } from '../shell/browser-memory';

interface Typed extends Omit<QuickSumInput, 'wantedHours'> {
  readonly chemistry: ChemistryName;
  readonly wantedHours: number;
}

const KEPT_AS = 'knapsack.quick';
const EXAMPLE: Typed = {
  capacityAh: 12,
  chemistry: 'lifepo4',
  usable: 0.9,
  receiveA: 0.4,
  transmitA: 3,
  share: 0.25,
  alwaysA: 0.2,
  sunA: 0,
  wantedHours: 6,
};

/** The sum on the back of an envelope, as one sentence; kept in this browser, made a trip by one click. */
@Component({
  selector: 'ks-quick',
  imports: [InlineChoiceComponent, InlineNumberComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page quick">
      <header class="page-head"><h1>Quick sum</h1></header>
      <p class="asking">
        A
        <ks-choice
          label="Chemistry"
          [value]="typed().chemistry"
          [choices]="chemistries"
          (picked)="setChemistry($event)"
        />
        battery of
        <ks-number
          field="ratedAh"
          label="Capacity"
          [value]="typed().capacityAh"
          (committed)="set({ capacityAh: $event })"
        />, of which
        <ks-number
          field="usable"
          label="Usable share"
          [value]="typed().usable"
          (committed)="set({ usable: $event })"
        />
        is used; a radio that receives on
        <ks-number
          field="receiveA"
          label="Receive current"
          [value]="typed().receiveA"
          (committed)="set({ receiveA: $event })"
        />
        and transmits on
        <ks-number
          field="transmitA"
          label="Mean transmit current"
          [value]="typed().transmitA"
          (committed)="set({ transmitA: $event })"
        />
        for
        <ks-number
          field="share"
          label="Share on transmit"
          [value]="typed().share"
          (committed)="set({ share: $event })"
        />
        of the time;
        <ks-number
          field="drawA"
          label="Always drawn"
          [value]="typed().alwaysA"
          (committed)="set({ alwaysA: $event })"
        />
        for whatever else is on;
        <ks-number
          field="sunA"
          label="From the sun"
          [value]="typed().sunA"
          (committed)="set({ sunA: $event })"
        />
        from the sun; for
        <ks-number
          field="wantedHours"
          label="Hours wanted"
          [value]="typed().wantedHours"
          (committed)="set({ wantedHours: $event })"
        />.
      </p>
      <p class="answer" aria-live="polite">
        <i
          class="bi blaze"
          [class]="sum().reaches ? 'bi-diamond-fill fine' : 'bi-octagon-fill stop'"
          role="img"
          [attr.aria-label]="sum().reaches ? 'fine' : 'stop'"
        ></i>
        {{ answer() }}
      </p>
      <table class="sum-lines">
        <tr>
          <th scope="row">drawn</th>
          <td>{{ drawn() }}</td>
          <td>{{ say(sum().meanA, 'A') }}</td>
        </tr>
        @if (typed().sunA > 0) {
          <tr>
            <th scope="row">net of the sun</th>
            <td>{{ say(sum().meanA, 'A') }} − {{ say(typed().sunA, 'A') }}</td>
            <td>{{ say(sum().netA, 'A') }}</td>
          </tr>
        }
        <tr>
          <th scope="row">usable</th>
          <td>{{ say(typed().usable, 'share') }} of {{ say(typed().capacityAh, 'Ah') }}</td>
          <td>{{ say(sum().usableAh, 'Ah') }}</td>
        </tr>
        @if (sum().hours !== null) {
          <tr>
            <th scope="row">lasts</th>
            <td>{{ say(sum().usableAh, 'Ah') }} ÷ {{ say(sum().netA, 'A') }}</td>
            <td>{{ say(sum().hours ?? 0, 'h') }}</td>
          </tr>
        }
      </table>
      <p class="muted">
        This is whiteboard arithmetic on purpose. A trip knows more: your hours, mode and power block by
        block, the cold, the voltage at the radio while the key is down, and what high currents cost.
        @if (typed().sunA > 0) {
          The steady {{ say(typed().sunA, 'A') }} from the sun does not go along into the trip.
        }
      </p>
      <p>
        <button type="button" class="solid" (click)="promote()" [disabled]="busy()">Make it a trip</button>
      </p>
      @if (problem(); as sentence) {
        <div class="banner" role="alert">{{ sentence }}</div>
      }
    </div>
  `,
})
export class QuickPage {
  private readonly api = inject(ApiService);
  private readonly shelf = inject(ShelfService);
  private readonly router = inject(Router);
  protected readonly typed = signal<Typed>(kept());
  protected readonly busy = signal(false);
  protected readonly problem = signal<string | null>(null);
  protected readonly sum = computed(() => quickSum(this.typed()));
  protected readonly chemistries = CHEMISTRY_NAMES.map((name) => ({
    value: name,
    label: CHEMISTRIES[name].label,
  }));

  protected readonly say = (value: number, unit: 'A' | 'Ah' | 'h' | 'share'): string =>
    sayQuantity({ value, unit });

  protected readonly drawn = computed(() => {
    const { share, transmitA, receiveA, alwaysA } = this.typed();
    const factor = (value: number) => sayQuantity({ value, unit: 'factor' });
    return `${factor(share)} × ${this.say(transmitA, 'A')} + ${factor(1 - share)} × ${this.say(receiveA, 'A')} + ${this.say(alwaysA, 'A')}`;
  });

  protected readonly answer = computed(() => {
    const { hours, spareHours } = this.sum();
    const wanted = sayDuration(this.typed().wantedHours);
    if (hours === null || spareHours === null) return 'The sun carries the load: no end.';
    return spareHours >= 0
      ? `Lasts ${sayDuration(hours)}, ${sayDuration(spareHours)} more than the ${wanted} wanted.`
      : `Lasts ${sayDuration(hours)}, ${sayDuration(-spareHours)} short of the ${wanted} wanted.`;
  });

  protected set(change: Partial<Typed>): void {
    this.typed.update((typed) => ({ ...typed, ...change }));
    browserMemory.write(KEPT_AS, JSON.stringify(this.typed()));
  }

  /** Another chemistry brings its usual usable share along. */
  protected setChemistry(name: string): void {
    const chemistry = name as ChemistryName;
    this.set({ chemistry, usable: 1 - CHEMISTRIES[chemistry].floorSoc });
  }

  protected async promote(): Promise<void> {
    this.busy.set(true);
    this.problem.set(null);
    const { chemistry, ...input } = this.typed();
    const { trip, gear } = quickTrip(input, {
      key: newKey(),
      chemistry,
      startMs: nextHour(Date.now()),
      timeZone: localZone(),
    });
    try {
      for (const item of gear) await firstValueFrom(this.shelf.create(item));
      await firstValueFrom(this.api.createTrip(trip));
      await this.router.navigate(['/trips', trip.id]);
    } catch (error) {
      this.problem.set(problemText(error));
    } finally {
      this.busy.set(false);
    }
  }
}

function kept(): Typed {
  try {
    return { ...EXAMPLE, ...(JSON.parse(browserMemory.read(KEPT_AS) ?? '{}') as Partial<Typed>) };
  } catch {
    return EXAMPLE;
  }
}
