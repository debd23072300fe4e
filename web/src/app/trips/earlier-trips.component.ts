import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { TripSummary } from '@knapsack/contract';
import { MARKS } from '../parts/marks';
import { TripLinesService } from './trip-lines.service';
import { browserMemory } from '../shell/browser-memory';

const KEPT_AS = 'knapsack.model';

/** What changed in the calculation with each version of trips that changed it. */
const REASONS: Readonly<Record<number, string>> = {
  5: 'Batteries have two resistances and lose charge by themselves, clouds let less light through, and the mark follows the chance: fine from the target chance up, a check from 50 %, below it a stop.',
};

/** The newest version of trips that changed what comes out of one; later ones changed only how it is written. */
const CHANGED_LAST = Math.max(...Object.keys(REASONS).map(Number));

/** Trips that an earlier release saved, whose verdicts a newer calculation may have changed: listed once, with the reason. */
@Component({
  selector: 'ks-earlier-trips',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (earlier().length > 0) {
      <section class="earlier" aria-labelledby="earlier-title">
        <h2 id="earlier-title">The calculation has changed since these trips were saved</h2>
        <p>{{ reasons() }} Their verdicts are now:</p>
        <ul>
          @for (trip of earlier(); track trip.id) {
            <li>
              @if (lines.of(trip); as line) {
                <i class="bi blaze" [class]="icon(line.mark) + ' ' + line.mark" aria-hidden="true"></i>
                <a [routerLink]="['/trips', trip.id]">{{ trip.name }}</a> {{ line.words }}
              } @else {
                <a [routerLink]="['/trips', trip.id]">{{ trip.name }}</a> calculating …
              }
            </li>
          }
        </ul>
        <button type="button" class="quiet" (click)="seen()">Do not show this again</button>
      </section>
    }
  `,
})
export class EarlierTripsComponent {
  readonly trips = input.required<readonly TripSummary[]>();
  protected readonly lines = inject(TripLinesService);
  private readonly seenVersion = signal(Number(browserMemory.read(KEPT_AS) ?? 0));
  protected readonly earlier = computed(() =>
    this.seenVersion() >= CHANGED_LAST
      ? []
      : this.trips().filter(({ savedAs, archived }) => savedAs < CHANGED_LAST && !archived),
  );
  protected readonly reasons = computed(() => {
    const oldest = Math.min(...this.earlier().map(({ savedAs }) => savedAs));
    return Object.entries(REASONS)
      .filter(([version]) => Number(version) > oldest)
      .map(([, words]) => words)
      .join(' ');
  });

  constructor() {
    effect(() => this.earlier().forEach((trip) => this.lines.want(trip)));
  }

  protected icon = (mark: keyof typeof MARKS): string => MARKS[mark].icon;

  protected seen(): void {
    browserMemory.write(KEPT_AS, String(CHANGED_LAST));
    this.seenVersion.set(CHANGED_LAST);
  }
}
