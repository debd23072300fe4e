import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { fixed, localHours, sayFullHour, sayHour, sayTime, valueAt, type Band } from '@knapsack/core';
import { markHours } from '../lanes/time-scale';
import { ForecastStore } from '../trip/forecast.store';
import { TripStore } from '../trip/trip.store';
import type { FieldTrack } from '../work/field-protocol';
import { FieldStore } from './field.store';
import { OutingClock } from './outing-clock';

const WIDTH = 366;
const HEIGHT = 100;
const LEFT = 2;

/** The charge over the outing: the plan behind, what was read as points, from now on what may come. */
@Component({
  selector: 'ks-field-ridge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawn(); as it) {
      <div class="field-ridge-box">
        <svg
          class="field-ridge"
          [attr.viewBox]="'0 0 ' + width + ' ' + height"
          role="img"
          [attr.aria-label]="words()"
          preserveAspectRatio="none"
        >
          @for (mark of it.hours; track mark.x) {
            <line class="hour" [attr.x1]="mark.x" [attr.x2]="mark.x" y1="0" [attr.y2]="height" />
          }
          <rect
            class="water"
            x="0"
            [attr.y]="it.reserveY"
            [attr.width]="width"
            [attr.height]="height - it.reserveY"
          />
          <line class="waterline" x1="0" [attr.x2]="width" [attr.y1]="it.reserveY" [attr.y2]="it.reserveY" />
          <path class="fan" [attr.d]="it.fan" />
          <path class="planned" [attr.d]="it.planned" />
          <path class="taken" [attr.d]="it.taken" />
          <path class="to-come" [attr.d]="it.toCome" />
          <path class="true" [attr.d]="it.truth" />
          <line class="now" [attr.x1]="it.nowX" [attr.x2]="it.nowX" y1="0" [attr.y2]="height" />
        </svg>
        <div class="field-ridge-marks" aria-hidden="true">
          @for (point of it.points; track point.x) {
            <i class="read" [class.odd]="!point.fits" [style.left.%]="point.x" [style.top.%]="point.y"></i>
          }
          @for (mark of it.hours; track mark.x) {
            <span class="hour" [style.left.%]="mark.percent">{{ mark.words }}</span>
          }
          <span class="level" [style.top.%]="(100 * it.halfY) / height">50 %</span>
          <span class="level reserve" [style.top.%]="(100 * it.reserveY) / height">{{ it.reserve }}</span>
          <span class="now" [class.late]="it.nowX > width * 0.75" [style.left.%]="it.nowPercent">now</span>
        </div>
      </div>
      <p class="legend muted">
        <span class="key planned"></span> plan <span class="key taken"></span> by the readings
        <span class="key fan"></span> 8 of 10 outings <span class="key read"></span> read
        @if (it.truth) {
          <span class="key true"></span> true
        }
        @if (it.hasOdd) {
          <span class="key read odd"></span> does not fit
        }
      </p>
    }
  `,
})
export class FieldRidgeComponent {
  private readonly store = inject(FieldStore);
  private readonly trips = inject(TripStore);
  private readonly clock = inject(OutingClock);
  private readonly forecast = inject(ForecastStore);
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;

  protected readonly drawn = computed(() => {
    const view = this.store.view();
    const trip = this.trips.trip();
    if (!view || !trip) return null;
    const [startMs, endMs] = [Date.parse(trip.start), Date.parse(trip.end)];
    const x = (timeMs: number) => LEFT + ((WIDTH - 2 * LEFT) * (timeMs - startMs)) / (endMs - startMs);
    const y = (soc: number) => HEIGHT - soc * (HEIGHT - 6);
    const path = ({ timesMs, soc }: FieldTrack, of: (band: Band) => number) =>
      timesMs
        .map(
          (timeMs, index) =>
            `${index === 0 ? 'M' : 'L'}${x(timeMs).toFixed(1)} ${y(of(soc[index])).toFixed(1)}`,
        )
        .join(' ');
    const { past, next, nowMs } = view;
    const all: FieldTrack = {
      timesMs: [...past.timesMs, ...next.timesMs],
      soc: [...past.soc, ...next.soc],
    };
    const lower = all.timesMs
      .map((timeMs, index) => `L${x(timeMs).toFixed(1)} ${y(all.soc[index].p10).toFixed(1)}`)
      .reverse();
    const plan = this.forecast.view();
    const planned: FieldTrack = plan
      ? {
          timesMs: Array.from(plan.edgesMs),
          soc: Array.from(plan.soc, (soc) => ({ p10: soc, p50: soc, p90: soc })),
        }
      : { timesMs: [], soc: [] };
    const socAt = (timeMs: number) =>
      valueAt(
        past.timesMs,
        past.soc.map(({ p50 }) => p50),
        timeMs,
      );
    const hours = localHours(startMs, endMs, markHours(endMs - startMs, WIDTH, 54), trip.place.timeZone);
    return {
      fan: `${path(all, ({ p90 }) => p90)} ${lower.join(' ')} Z`,
      reserve: `reserve ${fixed(100 * view.reserveSoc, 0)} %`,
      halfY: y(0.5),
      planned: path(planned, ({ p50 }) => p50),
      taken: path(past, ({ p50 }) => p50),
      toCome: path(next, ({ p50 }) => p50),
      truth: this.clock
        .truth()
        .filter(({ timeMs }) => timeMs <= nowMs)
        .map(
          ({ timeMs, soc }, index) =>
            `${index === 0 ? 'M' : 'L'}${x(timeMs).toFixed(1)} ${y(soc).toFixed(1)}`,
        )
        .join(' '),
      reserveY: y(view.reserveSoc),
      nowX: x(nowMs),
      nowPercent: (100 * x(nowMs)) / WIDTH,
      hasOdd: view.readings.some(({ fits }) => !fits),
      points:
        past.timesMs.length < 2
          ? []
          : view.readings.map(({ timeMs, fits }) => ({
              x: (100 * x(timeMs)) / WIDTH,
              y: (100 * y(socAt(timeMs))) / HEIGHT,
              fits,
            })),
      hours: hours.map((timeMs) => ({
        x: x(timeMs),
        percent: (100 * x(timeMs)) / WIDTH,
        words:
          markHours(endMs - startMs, WIDTH, 54) < 1
            ? sayHour(timeMs, trip.place.timeZone)
            : sayFullHour(timeMs, trip.place.timeZone),
      })),
    };
  });

  protected readonly words = computed(() => {
    const view = this.store.view();
    if (!view) return '';
    const share = (band: Band) => `${fixed(100 * band.p50, 0)} %`;
    const last = view.next.soc.at(-1);
    const told = view.past.timesMs.map(
      (timeMs, index) => `${sayTime(timeMs, view.zone)} ${share(view.past.soc[index])}`,
    );
    const end = last ? `; at the end ${fixed(100 * last.p10, 0)} to ${fixed(100 * last.p90, 0)} %` : '';
    return `State of charge: ${told.join(', ')}${end}.`;
  });
}
