import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { OffDirective } from '../parts/off.directive';
import { Router } from '@angular/router';
import { quickTrip, USUAL_CELLS } from '@knapsack/contract';
import {
  CHEMISTRIES,
  CHEMISTRY_NAMES,
  quickSum,
  sayDuration,
  sayQuantity,
  usableWays,
  type ChemistryName,
  type QuickSumInput,
} from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { newKey } from '../data/new-id';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { FormValidity } from '../parts/form-validity';
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
  imports: [OffDirective, InlineChoiceComponent, InlineNumberComponent],
  providers: [FormValidity],
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
          (typing)="preview({ capacityAh: $event })"
        />, of which
        <ks-number
          field="usable"
          label="Usable share"
          [value]="typed().usable"
          (committed)="set({ usable: $event })"
          (typing)="preview({ usable: $event })"
        />
        is usable; a radio that takes
        <ks-number
          field="receiveA"
          label="Receive current"
          [value]="typed().receiveA"
          (committed)="set({ receiveA: $event })"
          (typing)="preview({ receiveA: $event })"
        />
        while receiving and
        <ks-number
          field="transmitA"
          label="Mean transmit current"
          [value]="typed().transmitA"
          (committed)="set({ transmitA: $event })"
          (typing)="preview({ transmitA: $event })"
        />
        on average while transmitting, at a transmit duty cycle of
        <ks-number
          field="share"
          label="Transmit duty cycle"
          [value]="typed().share"
          (committed)="set({ share: $event })"
          (typing)="preview({ share: $event })"
        />;
        <ks-number
          field="drawA"
          label="Always on"
          [value]="typed().alwaysA"
          (committed)="set({ alwaysA: $event })"
          (typing)="preview({ alwaysA: $event })"
        />
        for whatever else is on;
        <ks-number
          field="sunA"
          label="From the sun"
          [value]="typed().sunA"
          (committed)="set({ sunA: $event })"
          (typing)="preview({ sunA: $event })"
        />
        from the sun; for
        <ks-number
          field="wantedHours"
          label="Hours wanted"
          [value]="typed().wantedHours"
          (committed)="set({ wantedHours: $event })"
          (typing)="preview({ wantedHours: $event })"
        />.
      </p>
      <div class="ways" role="group" aria-label="Three ways to count usable capacity">
        <span class="muted">Usable capacity, counted as</span>
        @for (way of ways(); track way.school) {
          <button
            type="button"
            class="toggle"
            [attr.aria-pressed]="way.share === typed().usable"
            (click)="set({ usable: way.share })"
          >
            {{ way.label }}: {{ way.words }}
          </button>
        }
      </div>
      @if (validity.hasProblem()) {
        <p class="answer muted" aria-live="polite">No result while a field is invalid.</p>
      } @else {
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
            <th scope="row">consumption</th>
            <td>{{ drawn() }}</td>
            <td>{{ say(sum().meanA, 'A') }}</td>
          </tr>
          @if (shown().sunA > 0) {
            <tr>
              <th scope="row">net of the sun</th>
              <td>{{ say(sum().meanA, 'A') }} − {{ say(shown().sunA, 'A') }}</td>
              <td>{{ say(sum().netA, 'A') }}</td>
            </tr>
          }
          <tr>
            <th scope="row">usable</th>
            <td>{{ say(shown().usable, 'share') }} of {{ say(shown().capacityAh, 'Ah') }}</td>
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
      }
      <p class="muted">
        This is whiteboard arithmetic on purpose. A trip knows more: your hours, mode and power block by
        block, the cold, the voltage at the radio while the key is down, and what high currents cost.
        @if (shown().sunA > 0) {
          The steady {{ say(shown().sunA, 'A') }} from the sun does not go along into the trip.
        }
      </p>
      <p>
        <button type="button" class="solid" (click)="promote()" [ksOff]="busy()">Make it a trip</button>
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
  protected readonly validity = inject(FormValidity);
  protected readonly typed = signal<Typed>(kept());
  /** With what stands in a field that nobody has left yet: the answer moves while one types. */
  protected readonly shown = signal<Typed>(this.typed());
  protected readonly busy = signal(false);
  protected readonly problem = signal<string | null>(null);
  protected readonly sum = computed(() => quickSum(this.shown()));
  protected readonly chemistries = CHEMISTRY_NAMES.map((name) => ({
    value: name,
    label: CHEMISTRIES[name].label,
  }));

  protected readonly say = (value: number, unit: 'A' | 'Ah' | 'h' | 'share'): string =>
    sayQuantity({ value, unit });

  /** Each way with the hours that it gives, where there is an end. */
  protected readonly ways = computed(() => {
    const typed = this.shown();
    return usableWays(typed.chemistry, USUAL_CELLS[typed.chemistry]).map((way) => {
      const { hours } = quickSum({ ...typed, usable: way.share });
      const share = this.say(way.share, 'share');
      const isUnknown = hours === null || this.validity.hasProblem();
      return { ...way, words: isUnknown ? share : `${share}, ${sayDuration(hours)}` };
    });
  });

  protected readonly drawn = computed(() => {
    const { share, transmitA, receiveA, alwaysA } = this.shown();
    const factor = (value: number) => sayQuantity({ value, unit: 'factor' });
    return `${factor(share)} × ${this.say(transmitA, 'A')} + ${factor(1 - share)} × ${this.say(receiveA, 'A')} + ${this.say(alwaysA, 'A')}`;
  });

  protected readonly answer = computed(() => {
    const { hours, spareHours } = this.sum();
    const wanted = sayDuration(this.shown().wantedHours);
    if (hours === null || spareHours === null) return 'Solar covers the load: no end.';
    return spareHours >= 0
      ? `Lasts ${sayDuration(hours)}, ${sayDuration(spareHours)} more than the ${wanted} wanted.`
      : `Lasts ${sayDuration(hours)}, ${sayDuration(-spareHours)} short of the ${wanted} wanted.`;
  });

  protected preview(change: Partial<Typed>): void {
    this.shown.set({ ...this.typed(), ...change });
  }

  protected set(change: Partial<Typed>): void {
    this.typed.update((typed) => ({ ...typed, ...change }));
    this.shown.set(this.typed());
    browserMemory.write(KEPT_AS, JSON.stringify(this.typed()));
  }

  /** Another chemistry brings its usual usable share along. */
  protected setChemistry(chemistry: ChemistryName): void {
    this.set({ chemistry, usable: 1 - CHEMISTRIES[chemistry].reserveSoc });
  }

  protected async promote(): Promise<void> {
    if (this.validity.focusFirst()) return;
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
    const typed = { ...EXAMPLE, ...(JSON.parse(browserMemory.read(KEPT_AS) ?? '{}') as Partial<Typed>) };
    return CHEMISTRY_NAMES.includes(typed.chemistry) ? typed : EXAMPLE;
  } catch {
    return EXAMPLE;
  }
}
