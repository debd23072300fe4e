import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const WIDTH = 110;
const HEIGHT = 30;

/** Charge over an outing, planned and actual, as a small drawing; both over the reserve. */
@Component({
  selector: 'ks-pair-ridge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" aria-hidden="true">
      <rect class="water" x="0" [attr.y]="water()" [attr.width]="width" [attr.height]="height - water()" />
      <path class="hill" [attr.d]="actualPath() + ' L' + width + ' ' + height + ' L0 ' + height + ' Z'" />
      <path class="plan" [attr.d]="plannedPath()" />
      <path class="line" [attr.d]="actualPath()" />
    </svg>
  `,
})
export class PairRidgeComponent {
  readonly planned = input.required<readonly number[]>();
  readonly actual = input.required<readonly number[]>();
  readonly reserveSoc = input.required<number>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly water = computed(() => y(this.reserveSoc()));
  protected readonly plannedPath = computed(() => pathOf(this.planned()));
  protected readonly actualPath = computed(() => pathOf(this.actual()));
}

const y = (soc: number): number => Number((HEIGHT - 1 - soc * (HEIGHT - 3)).toFixed(1));

const pathOf = (line: readonly number[]): string =>
  line
    .map((soc, at) => `${at === 0 ? 'M' : 'L'}${((at * WIDTH) / (line.length - 1)).toFixed(1)} ${y(soc)}`)
    .join('');
