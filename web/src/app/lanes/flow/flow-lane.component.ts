import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
  type ElementRef,
  type OnDestroy,
} from '@angular/core';
import { MINUTE_MS, sayQuantity } from '@knapsack/core';
import { ThemeService } from '../../shell/theme.service';
import { CursorLineComponent } from '../cursor-line.component';
import { LanesStore } from '../../trip/lanes.store';
import { readPalette } from '../../parts/palette';
import { instantAt, fractionAt } from '../time-scale';
import { paintFlow } from './paint-flow';
import { drawnAt, flowColumns } from './flow-columns';
import { ForecastStore } from '../../trip/forecast.store';
import { SelectionStore } from '../../trip/selection.store';

/** Most columns that the lane is drawn in. */
const MOST_COLUMNS = 900;

const amps = (value: number): string => sayQuantity({ value, unit: 'A' });

/** Amps in above a zero line, amps out below; where the sun carries the load the lane glows. Under the pointer: who draws. */
@Component({
  selector: 'ks-flow-lane',
  imports: [CursorLineComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="lane-name">flow</div>
    <div
      #lane
      class="flow-lane"
      role="img"
      [attr.aria-label]="spoken()"
      (pointermove)="hover($event)"
      (pointerdown)="hover($event)"
      (pointerleave)="leave()"
    >
      <canvas #canvas aria-hidden="true"></canvas>
      <ks-cursor-line />
      @for (word of words(); track $index) {
        <span class="flow-word" [style.left.%]="word.left">{{ word.text }}</span>
      }
      @if (drawers(); as plate) {
        <ul class="flow-plate" [class.to-left]="plate.left > 55" [style.left.%]="plate.left">
          @for (drawer of plate.rows; track drawer.name) {
            <li>
              <b>{{ drawer.amps }}</b> {{ drawer.name }}
            </li>
          }
        </ul>
      }
    </div>
  `,
})
export class FlowLaneComponent implements OnDestroy {
  private readonly forecast = inject(ForecastStore);
  private readonly selection = inject(SelectionStore);
  private readonly lanes = inject(LanesStore);
  private readonly themes = inject(ThemeService);
  private readonly lane = viewChild.required<ElementRef<HTMLElement>>('lane');
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly size = signal({ width: 0, height: 0 });
  private readonly hovered = signal(false);
  private readonly watch = new ResizeObserver(() => this.measure());

  private readonly palette = computed(() => {
    this.themes.theme();
    return readPalette(this.lane().nativeElement);
  });

  private readonly columns = computed(() => {
    const view = this.forecast.view();
    const { width } = this.size();
    if (!view || width === 0) return [];
    return flowColumns(view, this.lanes.visible(), Math.min(MOST_COLUMNS, Math.round(width)));
  });

  /** Words on the lane itself: where the sun carries the load, and where it gives what nothing takes. */
  protected readonly words = computed(() => {
    const columns = this.columns();
    return [
      ...wordOver(columns, ({ carried, curtailedA }) => carried && curtailedA === 0, 'solar covers the load'),
      ...wordOver(columns, ({ fedA }) => fedA > 0, 'charger on'),
      ...wordOver(columns, ({ curtailedA }) => curtailedA > 0, 'you could be using this'),
    ];
  });

  protected readonly drawers = computed(() => {
    const view = this.forecast.view();
    const cursorMs = this.selection.cursorMs();
    if (!view || cursorMs === null || !this.hovered()) return null;
    const rows = drawnAt(view, cursorMs).map(({ name, amps: drawn }) => ({ name, amps: amps(drawn) }));
    return { left: 100 * fractionAt(this.lanes.visible(), cursorMs), rows };
  });

  protected readonly spoken = computed(() => {
    const { verdict } = this.forecast.view() ?? {};
    if (!verdict) return 'Flow: no forecast yet';
    const sun = verdict.sun;
    const most = verdict.consumers
      .filter(({ ampereHours }) => ampereHours > 0)
      .sort((a, b) => b.ampereHours - a.ampereHours)
      .slice(0, 3)
      .map(({ name, ampereHours }) => `${name} ${sayQuantity({ value: ampereHours, unit: 'Ah' })}`);
    const gives = sun
      ? `solar covers the load for ${sayQuantity({ value: sun.balanceHours, unit: 'duration' })}, at its best it gives ${amps(sun.bestA)}, ${sayQuantity({ value: sun.curtailedAh, unit: 'Ah' })} of it are not used`
      : 'no sun';
    const fed =
      verdict.fedAh > 0 ? `; chargers bring ${sayQuantity({ value: verdict.fedAh, unit: 'Ah' })}` : '';
    return `Flow: ${amps(verdict.meanA)} on average, most by ${most.join(', ')}; ${gives}${fed}`;
  });

  constructor() {
    effect(() => {
      this.watch.observe(this.lane().nativeElement);
    });
    effect(() => {
      const columns = this.columns();
      const { width, height } = this.size();
      if (width > 0) this.paint(width, height, columns);
    });
  }

  ngOnDestroy(): void {
    this.watch.disconnect();
  }

  protected hover(event: PointerEvent): void {
    this.hovered.set(true);
    const { left, width } = this.lane().nativeElement.getBoundingClientRect();
    const timeMs = instantAt(this.lanes.visible(), (event.clientX - left) / width);
    this.selection.point(Math.round(timeMs / MINUTE_MS) * MINUTE_MS);
  }

  protected leave(): void {
    this.hovered.set(false);
    this.selection.point(null);
  }

  private measure(): void {
    const { clientWidth: width, clientHeight: height } = this.lane().nativeElement;
    this.size.set({ width, height });
  }

  private paint(width: number, height: number, columns: ReturnType<typeof flowColumns>): void {
    const canvas = this.canvas().nativeElement;
    const ratio = devicePixelRatio;
    const gutter = -canvas.offsetLeft;
    const [wide, high] = [Math.round((width + gutter) * ratio), Math.round(height * ratio)];
    if (canvas.width !== wide || canvas.height !== high) {
      canvas.width = wide;
      canvas.height = high;
      canvas.style.width = `${width + gutter}px`;
      canvas.style.height = `${height}px`;
    }
    const context = canvas.getContext('2d');
    if (!context) return;
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.clearRect(0, 0, width + gutter, height);
    const most = (of: 'inA' | 'outA') => columns.reduce((top, column) => Math.max(top, column[of]), 0);
    const frame = { left: gutter, width, height, mostInA: most('inA'), mostOutA: most('outA') };
    paintFlow(context, columns, frame, this.palette());
  }
}

/** The words at the middle of the longest run of columns of a kind, where it is wide enough to hold them. */
function wordOver<Column>(
  columns: readonly Column[],
  is: (column: Column) => boolean,
  text: string,
): { readonly text: string; readonly left: number }[] {
  let best = { from: 0, length: 0 };
  let from = 0;
  for (let at = 0; at <= columns.length; at++) {
    if (at < columns.length && is(columns[at])) continue;
    if (at - from > best.length) best = { from, length: at - from };
    from = at + 1;
  }
  const room = best.length > text.length * 6.6;
  return room ? [{ text, left: (100 * (best.from + best.length / 2)) / columns.length }] : [];
}
