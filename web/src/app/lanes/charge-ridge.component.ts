import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import {
  fixed,
  localHours,
  sayFullHour,
  sayHour,
  sayTime,
  valueAt,
  type Band,
  type PlayedTruth,
} from '@knapsack/core';
import type { FieldTrack } from '../work/field-protocol';
import { markHours } from './time-scale';

const WIDTH = 366;
const HEIGHT = 100;
const LEFT = 2;

/** The charge of an outing as it was planned and as it was read. */
export interface ChargeRidge {
  readonly startMs: number;
  readonly endMs: number;
  readonly zone: string;
  /** Share that the batteries should not fall under, 0 to 1. */
  readonly reserveSoc: number;
  /** The plan's, 0 to 1; empty while it is not known. */
  readonly planned: { readonly timesMs: ArrayLike<number>; readonly soc: ArrayLike<number> };
  readonly past: FieldTrack;
  /** What may come, or what nobody read. */
  readonly next: FieldTrack;
  /** Where the outing stands, UTC epoch ms; null once it is over. */
  readonly nowMs: number | null;
  readonly readings: readonly { readonly timeMs: number; readonly fits: boolean }[];
  /** What is true, where that is known. */
  readonly truth?: readonly PlayedTruth[];
}

const NO_TRUTH: readonly PlayedTruth[] = [];

/** The charge over an outing: the plan behind, what was read as points, from now on what may come. */
@Component({
  selector: 'ks-charge-ridge',
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
          @if (it.nowX !== null) {
            <line class="now" [attr.x1]="it.nowX" [attr.x2]="it.nowX" y1="0" [attr.y2]="height" />
          }
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
          @if (it.nowX !== null) {
            <span class="now" [class.late]="it.nowX > width * 0.75" [style.left.%]="(100 * it.nowX) / width"
              >now</span
            >
          }
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
export class ChargeRidgeComponent {
  readonly of = input.required<ChargeRidge>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;

  protected readonly drawn = computed(() => {
    const {
      startMs,
      endMs,
      zone,
      planned,
      past,
      next,
      nowMs,
      readings,
      reserveSoc,
      truth = NO_TRUTH,
    } = this.of();
    const x = (timeMs: number) => LEFT + ((WIDTH - 2 * LEFT) * (timeMs - startMs)) / (endMs - startMs);
    const y = (soc: number) => HEIGHT - soc * (HEIGHT - 6);
    const line = (timesMs: ArrayLike<number>, socOf: (index: number) => number) =>
      Array.from(
        timesMs,
        (timeMs, index) => `${index === 0 ? 'M' : 'L'}${x(timeMs).toFixed(1)} ${y(socOf(index)).toFixed(1)}`,
      ).join(' ');
    const path = ({ timesMs, soc }: FieldTrack, of: (band: Band) => number) =>
      line(timesMs, (index) => of(soc[index]));
    const all: FieldTrack = {
      timesMs: [...past.timesMs, ...next.timesMs],
      soc: [...past.soc, ...next.soc],
    };
    const lower = all.timesMs
      .map((timeMs, index) => `L${x(timeMs).toFixed(1)} ${y(all.soc[index].p10).toFixed(1)}`)
      .reverse();
    const socAt = (timeMs: number) =>
      valueAt(
        past.timesMs,
        past.soc.map(({ p50 }) => p50),
        timeMs,
      );
    const everyHours = markHours(endMs - startMs, WIDTH, 54);
    const known = nowMs === null ? truth : truth.filter(({ timeMs }) => timeMs <= nowMs);
    return {
      fan: `${path(all, ({ p90 }) => p90)} ${lower.join(' ')} Z`,
      reserve: `reserve ${fixed(100 * reserveSoc, 0)} %`,
      halfY: y(0.5),
      planned: line(planned.timesMs, (index) => planned.soc[index]),
      taken: path(past, ({ p50 }) => p50),
      toCome: path(next, ({ p50 }) => p50),
      truth: line(
        known.map(({ timeMs }) => timeMs),
        (index) => known[index].soc,
      ),
      reserveY: y(reserveSoc),
      nowX: nowMs === null ? null : x(nowMs),
      hasOdd: readings.some(({ fits }) => !fits),
      points:
        past.timesMs.length < 2
          ? []
          : readings.map(({ timeMs, fits }) => ({
              x: (100 * x(timeMs)) / WIDTH,
              y: (100 * y(socAt(timeMs))) / HEIGHT,
              fits,
            })),
      hours: localHours(startMs, endMs, everyHours, zone).map((timeMs) => ({
        x: x(timeMs),
        percent: (100 * x(timeMs)) / WIDTH,
        words: everyHours < 1 ? sayHour(timeMs, zone) : sayFullHour(timeMs, zone),
      })),
    };
  });

  protected readonly words = computed(() => {
    const { past, next, zone } = this.of();
    const share = (band: Band) => `${fixed(100 * band.p50, 0)} %`;
    const last = next.soc.at(-1);
    const told = past.timesMs.map((timeMs, index) => `${sayTime(timeMs, zone)} ${share(past.soc[index])}`);
    const end = last ? `; at the end ${fixed(100 * last.p10, 0)} to ${fixed(100 * last.p90, 0)} %` : '';
    return `State of charge: ${told.join(', ')}${end}.`;
  });
}
