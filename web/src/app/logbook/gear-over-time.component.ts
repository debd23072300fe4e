import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FIELDS, sayNumber } from '@knapsack/contract';
import { figuresOverTime, trendOf, type FigureOverTime } from '@knapsack/contract/logbook';
import { sayDate } from '@knapsack/core';
import { LogbookStore } from './logbook.store';

const WIDTH = 240;
const HEIGHT = 84;
const WORDS = { measuredAh: 'capacity', receiveA: 'receive current', truth: 'output against label' } as const;

/** Capacity, receive current and panel output of the gear over the years, with how sure each figure is. */
@Component({
  selector: 'ks-gear-over-time',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="over-time">The gear over the years</h2>
    <div class="over-time">
      @for (plot of plots(); track plot.title) {
        <figure>
          <figcaption>{{ plot.title }}</figcaption>
          <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="plot.words">
            @if (plot.label !== null) {
              <path class="label" [attr.d]="'M0 ' + plot.label + 'H' + width" />
            }
            @if (plot.trend) {
              <path class="trend" [attr.d]="plot.trend" />
            }
            @for (day of plot.days; track $index) {
              <path class="bar" [attr.d]="'M' + day.x + ' ' + day.low + 'V' + day.high" />
              <circle [attr.cx]="day.x" [attr.cy]="day.y" r="3.5" />
            }
          </svg>
          <p class="muted" aria-hidden="true">
            <span>{{ plot.from }}</span> <span>{{ plot.to }}</span>
          </p>
          @if (plot.sentence) {
            <p>{{ plot.sentence }}</p>
          }
        </figure>
      } @empty {
        <p class="muted">Two outings or tests that say something of the same figure draw a line here.</p>
      }
    </div>
  `,
})
export class GearOverTimeComponent {
  private readonly store = inject(LogbookStore);
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly plots = computed(() =>
    figuresOverTime(this.store.known(), this.store.gear()).map((series) => ({
      ...plotOf(series),
      sentence: this.store.tooSmall().get(series.gear) ?? '',
    })),
  );
}

function plotOf({ name, at, days, label }: FigureOverTime) {
  const times = days.map(({ timeMs }) => timeMs);
  const [first, last] = [Math.min(...times), Math.max(...times)];
  const values = days.flatMap(({ value, sd }) => [value - sd, value + sd]);
  // What the label says is drawn where it lies near enough.
  const [lowest, highest] = [Math.min(...values), Math.max(...values)];
  const far = 2 * (highest - lowest);
  const near = label !== null && label > lowest - far && label < highest + far ? label : null;
  const marks = near === null ? values : [...values, near];
  const [least, most] = [Math.min(...marks), Math.max(...marks)];
  const room = 0.08 * Math.max(most - least, 1e-9);
  const x = (timeMs: number) =>
    Number((8 + ((WIDTH - 16) * (timeMs - first)) / Math.max(1, last - first)).toFixed(1));
  const y = (value: number) =>
    Number((((HEIGHT - 4) * (most + room - value)) / (most - least + 2 * room) + 2).toFixed(1));
  const trend = trendOf(days);
  const say = (value: number) => sayNumber(FIELDS[at], value, 3);
  const newest = days[days.length - 1];
  return {
    title: `${name}, ${WORDS[at]}`,
    words: `${name}, ${WORDS[at]}: ${say(days[0].value)} to ${say(newest.value)} over ${days.length} days`,
    days: days.map(({ timeMs, value, sd }) => ({
      ...{ x: x(timeMs), y: y(value), low: y(value - sd), high: y(value + sd) },
    })),
    trend:
      trend && last > first
        ? `M${x(first)} ${y(trend.valueAt(first))}L${x(last)} ${y(trend.valueAt(last))}`
        : null,
    label: near === null ? null : y(near),
    from: `${sayDate(first, 'UTC')}: ${say(days[0].value)}`,
    to: `${sayDate(last, 'UTC')}: ${say(newest.value)}`,
  };
}
