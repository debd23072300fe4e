import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { withCharging, type ChargeLine } from '@knapsack/contract/rehearse';
import { fixed, sayDay, sayDuration, sayHour, sayQuantity } from '@knapsack/core';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import type { Choice } from '../parts/choices';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { InlineTimeComponent } from '../parts/inline-time.component';
import { TripStore } from '../trip/trip.store';
import { RehearseStore } from './rehearse.store';

/** When everything has to be on its charger, backward from the departure. */
@Component({
  selector: 'ks-charge-up',
  imports: [InlineChoiceComponent, InlineNumberComponent, InlineTimeComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.charging(); as up) {
      <section aria-labelledby="charge-title">
        <h2 id="charge-title">Charge before you go</h2>
        <p class="sentence-line">
          You leave at
          <ks-time label="Departure" [valueMs]="up.departureMs" [zone]="zone()" [accept]="setDeparture" />{{
            up.departureTyped ? '.' : ', as the outing begins.'
          }}
          @if (up.startNoLaterMs !== null) {
            The first thing is on its charger by <b>{{ when(up.startNoLaterMs) }}</b>.
          } @else {
            Nothing needs a charger.
          }
        </p>
        @if (up.problem; as sentence) {
          <p class="problem" role="alert">{{ sentence }}</p>
        }
        <ul class="charge-lines">
          @for (line of up.lines; track line.id) {
            <li [class.late]="up.late.includes(line.name)">
              <p>
                <b>{{ line.name }}</b>, now at
                <ks-number
                  field="soc"
                  [label]="'Charge now, ' + line.name"
                  [value]="line.soc"
                  (committed)="setSoc(line, $event)"
                />{{ (line.socTyped ? '' : ' (assumed)') + (line.sources.length > 0 ? ', on' : '.') }}
                @if (line.sources.length > 0) {
                  &ngsp;<ks-choice
                    [label]="'Charged on, ' + line.name"
                    [value]="line.source"
                    [choices]="choices(line)"
                    (picked)="setSource(line, $event)"
                  />
                }
              </p>
              <p>
                @if (line.startMs !== null && line.endMs !== null) {
                  {{ up.late.includes(line.name) ? 'Should have begun' : 'From' }}
                  <b>{{ when(line.startMs) }}</b> to {{ when(line.endMs) }}, {{ lasts(line.hours ?? 0) }}.
                }
                {{ percent(line.socAtStart) }} when the outing begins.
                <span class="muted">{{ line.note }}</span>
              </p>
            </li>
          } @empty {
            <li class="muted">Nothing in the bag holds a charge.</li>
          }
        </ul>
        @if (up.lines.length > 0) {
          <p class="caution muted">
            Charge where somebody looks in, on a surface that does not burn, with a charger that knows the
            chemistry; never a battery that is swollen, wet or frozen.
          </p>
        }
      </section>
    }
  `,
})
export class ChargeUpComponent {
  protected readonly store = inject(RehearseStore);
  private readonly plan = inject(TripStore);
  protected readonly zone = computed(() => this.plan.trip()?.place.timeZone ?? 'UTC');
  protected readonly lasts = (hours: number): string =>
    hours >= 48 ? `${fixed(hours / 24, 1)} days` : sayDuration(hours);
  protected readonly percent = (value: number): string => sayQuantity({ value, unit: 'share' });

  protected when(timeMs: number): string {
    return `${sayDay(timeMs, this.zone())} ${sayHour(timeMs, this.zone())}`;
  }

  protected choices({ sources }: ChargeLine): readonly Choice[] {
    return sources.map(({ id, name }) => ({ value: id, label: name }));
  }

  protected readonly setDeparture = (timeMs: number): string | null => {
    const trip = this.plan.trip();
    if (!trip) return null;
    this.plan.edit((before) => ({
      ...before,
      rehearsal: { ...before.rehearsal, departure: new Date(timeMs).toISOString() },
    }));
    return null;
  };

  protected setSoc({ id }: ChargeLine, soc: number): void {
    this.plan.edit((trip) => withCharging(trip, id, { soc }));
  }

  protected setSource({ id }: ChargeLine, from: string): void {
    this.plan.edit((trip) => withCharging(trip, id, { from }));
  }
}
