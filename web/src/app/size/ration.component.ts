import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { fixed, localHours, type RationChoice, sayFullHour, sayTime } from '@knapsack/core';
import { rationRules, sayRationChoice, sayRationOdds } from '@knapsack/contract/size';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { SpeechService } from '../shell/speech.service';
import { TripStore } from '../trip/trip.store';
import { RationStore } from './ration.store';

const LANE_PX = 46;
const LEAST_PX = 12;

interface Bar {
  readonly left: number;
  readonly width: number;
  readonly height: number;
  readonly words: string;
}

/** How to spend the energy of the bag: the proposed hours beside the planned ones, what they gain, the table to take along. */
@Component({
  selector: 'ks-ration',
  imports: [InlineChoiceComponent, InlineNumberComponent],
  providers: [RationStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="ration">
      <h2>The ration: how to spend this bag</h2>
      <p class="question">
        Hours from
        <ks-number
          field="hourOfDay"
          label="Hours count from"
          [value]="hours().fromHour"
          (committed)="store.changeHours({ fromHour: $event })"
        />
        to
        <ks-number
          field="hourOfDay"
          label="Hours count to"
          [value]="hours().toHour"
          (committed)="store.changeHours({ toHour: $event })"
        />
        count
        <ks-number
          field="worthOfHour"
          [value]="hours().worth"
          (committed)="store.changeHours({ worth: $event })"
        />
        · twice the power is worth
        <ks-number
          field="worthOfPower"
          [value]="store.options().doubling"
          (committed)="store.change({ doubling: $event })"
        />
        more · transmit duty cycle never under
        <ks-number
          field="leastShare"
          [value]="store.options().leastShare"
          (committed)="store.change({ leastShare: $event })"
        />
        · power
        <ks-choice
          label="Most power"
          [value]="store.options().morePower ? 'more' : 'planned'"
          [choices]="ceilings"
          (picked)="store.change({ morePower: $event === 'more' })"
        />, duty cycle
        <ks-choice
          label="Largest duty cycle"
          [value]="store.options().moreShare ? 'more' : 'planned'"
          [choices]="ceilings"
          (picked)="store.change({ moreShare: $event === 'more' })"
        />
      </p>
      @if (store.problem(); as problem) {
        <p role="alert">{{ problem }}</p>
      } @else {
        <p class="gain">
          @if (gain(); as words) {
            {{ words }}
            @if (helps()) {
              <button type="button" class="solid" (click)="store.putOn()">Apply</button>
            }
          } @else {
            <span class="muted">Sharing out the hours …</span>
          }
        </p>
      }
      <div class="ration-lanes" [class.faded]="!store.ration()">
        @for (lane of lanes(); track lane.name) {
          <div class="ration-lane" [class]="lane.name">
            <span class="lane-name">{{ lane.name }}</span>
            @for (bar of lane.bars; track bar.left) {
              <span
                class="bar"
                [style.left.%]="bar.left"
                [style.width.%]="bar.width"
                [style.height.px]="bar.height"
                [title]="bar.words"
                ><b>{{ bar.words }}</b></span
              >
            }
          </div>
        }
        <div class="ration-hours" aria-hidden="true">
          @for (mark of marks(); track mark.left) {
            <span [style.left.%]="mark.left">{{ mark.words }}</span>
          }
        </div>
      </div>
      @if (rules().length > 0) {
        <details>
          <summary>The table to take along: look at the state of charge at the hour</summary>
          <p class="muted">
            By the charge in the battery: the power, and in brackets the transmit duty cycle.
          </p>
          <table class="kits rules">
            @for (hour of rules(); track hour.startMs) {
              <tr>
                <th scope="row">{{ hour.when }}</th>
                <td>{{ hour.words }}</td>
              </tr>
            }
          </table>
        </details>
      }
    </section>
  `,
})
export class RationComponent {
  protected readonly store = inject(RationStore);
  private readonly plan = inject(TripStore);
  private readonly zone = computed(() => this.plan.trip()?.place.timeZone ?? 'UTC');
  protected readonly ceilings = [
    { value: 'planned', label: 'as planned at the most' },
    { value: 'more', label: 'more where there is charge' },
  ];
  protected readonly hours = computed(
    () => this.store.options().hours[0] ?? { fromHour: 18, toHour: 22, worth: 1 },
  );
  private readonly span = computed(() => {
    const trip = this.plan.trip();
    return trip ? { startMs: Date.parse(trip.start), endMs: Date.parse(trip.end) } : { startMs: 0, endMs: 1 };
  });
  protected readonly marks = computed(() => {
    const { startMs, endMs } = this.span();
    const every = endMs - startMs > 3 * 86_400_000 ? 24 : 4;
    return localHours(startMs, endMs, every, this.zone()).map((timeMs) => ({
      left: this.share(timeMs),
      words: every === 24 ? sayTime(timeMs, this.zone()).slice(0, 3) : sayFullHour(timeMs, this.zone()),
    }));
  });
  private readonly mostW = computed(() =>
    Math.max(
      1,
      ...(this.store.ration()?.hours ?? []).flatMap(({ planned, proposed }) => [
        planned?.powerW ?? 0,
        proposed?.powerW ?? 0,
      ]),
    ),
  );
  private readonly planned = computed<readonly Bar[]>(() => {
    const hours = this.store.ration()?.hours.filter(({ planned }) => planned !== null) ?? [];
    const joined: { startMs: number; endMs: number; choice: RationChoice; block: number }[] = [];
    for (const { startMs, endMs, block, planned } of hours) {
      const last = joined.at(-1);
      if (last?.block === block) last.endMs = endMs;
      else joined.push({ startMs, endMs, choice: planned!, block });
    }
    return joined.map((stretch) => this.bar(stretch));
  });
  protected readonly lanes = computed(() => [
    { name: 'planned', bars: this.planned() },
    { name: 'ration', bars: this.store.stretches().map((stretch) => this.bar(stretch)) },
  ]);
  protected readonly gain = computed(() => {
    const ration = this.store.ration();
    if (!ration) return null;
    const { worth, plannedWorth } = ration;
    const gain =
      plannedWorth > 0 ? `${fixed((100 * (worth - plannedWorth)) / plannedWorth, 0)} %` : fixed(worth, 1);
    const more = worth >= plannedWorth ? `${gain} more` : `${gain.replace('−', '')} less`;
    const unattended = this.plan.trip()?.unattended ?? false;
    const same = plannedWorth > 0 && Math.abs(worth / plannedWorth - 1) < 0.005;
    return [
      same ? 'Worth as much on the air as the plan.' : `Worth ${more} on the air than the plan.`,
      ...sayRationOdds(ration, unattended),
    ].join(' ');
  });
  constructor() {
    const speech = inject(SpeechService);
    effect(() => {
      const words = this.gain();
      if (words) untracked(() => speech.say(`The hours are shared out. ${words}`));
    });
  }

  /** Where nobody is there and no setting helps, there is nothing to put on. */
  protected readonly helps = computed(
    () => !(this.plan.trip()?.unattended && this.store.ration()?.binds === 'nothing'),
  );
  protected readonly rules = computed(() => {
    const ration = this.store.ration();
    return ration ? rationRules(ration, this.zone()) : [];
  });

  private share(timeMs: number): number {
    const { startMs, endMs } = this.span();
    return (100 * (timeMs - startMs)) / (endMs - startMs);
  }

  private bar({
    startMs,
    endMs,
    choice,
  }: {
    startMs: number;
    endMs: number;
    choice: RationChoice | null;
  }): Bar {
    const left = this.share(startMs);
    const powerW = choice?.powerW ?? 0;
    return {
      left,
      width: this.share(endMs) - left,
      height: choice ? LEAST_PX + (LANE_PX - LEAST_PX) * Math.sqrt(powerW / this.mostW()) : 2,
      words: sayRationChoice(choice),
    };
  }
}
