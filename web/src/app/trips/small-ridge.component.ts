import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  untracked,
  type OnDestroy,
} from '@angular/core';
import type { TripSummary } from '@knapsack/contract';
import { MARKS } from '../parts/marks';
import { TripLinesService } from './trip-lines.service';

const WIDTH = 150;
const HEIGHT = 34;
/** A trip's own small ridge and verdict, calculated when it comes into sight. */
@Component({
  selector: 'ks-small-ridge',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as now) {
      @if (now.path) {
        <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" aria-hidden="true">
          <rect
            class="water"
            x="0"
            [attr.y]="now.water"
            [attr.width]="width"
            [attr.height]="height - now.water"
          />
          <path class="hill" [attr.d]="now.path + ' L' + width + ' ' + height + ' L0 ' + height + ' Z'" />
          <path class="line" [attr.d]="now.path" />
        </svg>
      }
      <span class="trip-verdict" [class.muted]="!now.path">
        <i
          [class]="'bi blaze ' + now.look.icon + ' ' + now.mark"
          role="img"
          [attr.aria-label]="now.look.word"
        ></i>
        {{ now.words }}
      </span>
    }
  `,
})
export class SmallRidgeComponent implements OnDestroy {
  readonly trip = input.required<TripSummary>();
  private readonly lines = inject(TripLinesService);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  private seen = false;
  private readonly watch = new IntersectionObserver(
    (entries) => this.sight(entries.some(({ isIntersecting }) => isIntersecting)),
    { rootMargin: '120px' },
  );

  protected readonly drawing = computed(() => {
    const line = this.lines.of(this.trip());
    if (!line) return null;
    const { soc, reserveSoc, mark, words } = line;
    const y = (value: number) => (HEIGHT - 1 - value * (HEIGHT - 3)).toFixed(1);
    const path = soc
      .map(
        (value, at) => `${at === 0 ? 'M' : 'L'}${((at * WIDTH) / (soc.length - 1)).toFixed(1)} ${y(value)}`,
      )
      .join('');
    return { path, water: Number(y(reserveSoc)), look: MARKS[mark], mark, words };
  });

  constructor() {
    this.watch.observe(this.element.nativeElement);
    effect(() => {
      const trip = this.trip();
      if (this.seen) untracked(() => this.lines.want(trip));
    });
  }

  ngOnDestroy(): void {
    this.watch.disconnect();
    this.lines.leave(this.trip());
  }

  private sight(seen: boolean): void {
    this.seen = seen;
    if (seen) this.lines.want(this.trip());
    else this.lines.leave(this.trip());
  }
}
