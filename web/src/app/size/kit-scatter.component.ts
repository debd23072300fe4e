import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import {
  fixed,
  here,
  kitName,
  sayChance,
  sayMoney,
  sayQuantity,
  type TriedKit,
  unitHere,
} from '@knapsack/core';
import type { Choice } from '../parts/choices';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { ChanceStore } from '../trip/chance.store';
import { PlotGridComponent } from './plot-grid.component';
import { pathOf, plotScale, roundTicks, isNarrow, type Plot } from './scatter-scale';
import { SizeStore, type KitBurden } from './size.store';

const plotFor = (narrow: boolean): Plot => ({
  width: narrow ? 366 : 690,
  height: narrow ? 260 : 330,
  left: 46,
  right: 14,
  top: 12,
  bottom: 30,
});

/** Kits beyond this many times the lightest that is sure are not drawn: nobody carries them. */
const FAR = 2.2;

/** Every kit that was tried to the end by what it weighs or costs and its chance; those on the front can be tried on. */
@Component({
  selector: 'ks-kit-scatter',
  imports: [InlineChoiceComponent, PlotGridComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <figure class="scatter">
      <figcaption>
        Chance to last, against
        <ks-choice
          label="What kits are held against"
          [value]="by()"
          [choices]="burdens"
          (picked)="by.set($event)"
        />
        <span class="muted hint">{{ hint() }}</span>
      </figcaption>
      <svg [attr.viewBox]="'0 0 ' + plot.width + ' ' + plot.height" role="group" aria-label="Kits">
        <svg:g ksPlotGrid [plot]="plot" [xTicks]="xTicks()" [yTicks]="yTicks()" />
        <line
          class="asked"
          [attr.x1]="plot.left"
          [attr.x2]="plot.width - plot.right"
          [attr.y1]="askedY()"
          [attr.y2]="askedY()"
        />
        <text class="asked" [attr.x]="plot.width - plot.right" [attr.y]="askedY() - 5">target</text>
        @if (roomX(); as x) {
          <line
            class="room"
            [attr.x1]="x"
            [attr.x2]="x"
            [attr.y1]="plot.top"
            [attr.y2]="plot.height - plot.bottom"
          />
          <text class="room" [attr.x]="x - 5" [attr.y]="plot.height - plot.bottom - 8">carry limit</text>
        }
        @for (dot of dots(); track dot.rank) {
          <circle class="kit" [attr.cx]="dot.x" [attr.cy]="dot.y" r="3" />
        }
        <path class="front" [attr.d]="line()" />
        @for (dot of front(); track dot.kit.rank) {
          <g
            class="on-front"
            role="button"
            tabindex="0"
            [attr.aria-label]="dot.words + ', try'"
            [class.makes]="dot.makes"
            (mouseenter)="over.set(dot.words)"
            (focus)="over.set(dot.words)"
            (mouseleave)="over.set(null)"
            (blur)="over.set(null)"
            (click)="chosen.emit(dot.kit)"
            (keydown.enter)="chosen.emit(dot.kit)"
            (keydown.space)="$event.preventDefault(); chosen.emit(dot.kit)"
          >
            <circle class="halo" [attr.cx]="dot.x" [attr.cy]="dot.y" [attr.r]="reach" />
            <circle [attr.cx]="dot.x" [attr.cy]="dot.y" r="6" />
          </g>
        }
        @if (mine(); as at) {
          <g class="mine" [attr.transform]="'translate(' + at.x + ' ' + at.y + ')'">
            <path d="M0 -8L8 0L0 8L-8 0Z" />
            <text [attr.x]="at.left ? -12 : 12" y="4" [attr.text-anchor]="at.left ? 'end' : 'start'">
              in the bag
            </text>
          </g>
        }
      </svg>
    </figure>
  `,
})
export class KitScatterComponent {
  private readonly store = inject(SizeStore);
  private readonly chances = inject(ChanceStore);
  readonly chosen = output<TriedKit>();
  protected readonly plot = plotFor(isNarrow());
  /** How far around a kit a press reaches. */
  protected readonly reach = matchMedia('(pointer: coarse)').matches ? 23 : 14;
  protected readonly by = this.store.by;
  protected readonly over = signal<string | null>(null);
  protected readonly burdens: readonly Choice<KitBurden>[] = [
    { value: 'weight', label: 'weight' },
    { value: 'price', label: 'price' },
  ];
  protected readonly hint = computed(
    () =>
      this.over() ?? `the line: no other kit is ${this.by() === 'weight' ? 'lighter' : 'cheaper'} and surer`,
  );
  private readonly state = this.store.state;
  private readonly frontKits = computed<readonly TriedKit[]>(() => this.state()?.fronts[this.by()] ?? []);

  /** What is drawn goes a good way past the first kit that makes the asked chance. */
  private readonly range = computed<readonly [number, number]>(() => {
    const front = this.frontKits();
    const all = (this.state()?.tried ?? []).map((kit) => this.burden(kit));
    const makes = front.find(({ chance }) => chance >= this.store.options().chance) ?? front.at(-1);
    const inBag = this.by() === 'weight' ? this.store.inBagG() : 0;
    const last = Math.max(front.length > 0 ? this.burden(front[front.length - 1]) : 1, inBag);
    const most = makes
      ? Math.max(inBag, Math.min(last, this.burden(makes) * FAR), this.burden(makes) * 1.25)
      : last;
    const least = Math.min(most, inBag || Infinity, ...all.filter((value) => value > 0));
    const room = (most - least) * 0.06 || most * 0.2;
    return [Math.max(0, least - room), most + room];
  });
  /** From the least chance that is to be seen, in tenths. */
  private readonly leastChance = computed(() => {
    const shown = [...this.frontKits(), ...(this.state()?.tried ?? [])].map(({ chance }) => chance);
    const inBag = this.chances.chance()?.chance ?? 1;
    return Math.max(0, Math.floor(Math.min(this.store.options().chance, inBag, ...shown) * 10 - 0.3) / 10);
  });
  private readonly scale = computed(() => plotScale(this.plot, this.range(), [this.leastChance(), 1]));
  protected readonly yTicks = computed(() =>
    roundTicks(this.leastChance(), 1, 5).map((share) => ({
      at: this.scale().y(share),
      words: `${fixed(share * 100, 0)} %`,
    })),
  );
  protected readonly xTicks = computed(() => {
    const [least, most] = this.range();
    const per = this.by() === 'weight' ? 1000 / here(1, 'kg') : 1;
    return roundTicks(least / per, most / per, 7).map((value) => ({
      at: this.scale().x(value * per),
      words: this.by() === 'weight' ? `${value} ${unitHere('kg')}` : sayMoney(value),
    }));
  });
  protected readonly askedY = computed(() => this.scale().y(this.store.options().chance));
  protected readonly roomX = computed(() => {
    const room = this.store.roomG();
    const [least, most] = this.range();
    return this.by() === 'weight' && room !== null && room > least && room < most
      ? this.scale().x(room)
      : null;
  });
  protected readonly dots = computed(() => {
    const [, most] = this.range();
    return (this.state()?.tried ?? [])
      .filter((kit) => this.burden(kit) <= most && this.burden(kit) >= 0)
      .map((kit) => ({ rank: kit.rank, ...this.place(kit) }));
  });
  protected readonly front = computed(() => {
    const [, most] = this.range();
    return this.frontKits()
      .filter((kit) => this.burden(kit) <= most)
      .map((kit) => ({
        kit,
        ...this.place(kit),
        words: this.words(kit),
        makes: kit.chance >= this.store.options().chance,
      }));
  });
  /** Stairs: between two kits of the front the lighter one is what one has. */
  protected readonly line = computed(() =>
    pathOf(
      this.front().flatMap((dot, index, all) => {
        const before = all[index - 1];
        return before ? [{ x: dot.x, y: before.y }, dot] : [dot];
      }),
    ),
  );
  protected readonly mine = computed(() => {
    const chance = this.chances.chance();
    if (!chance || this.by() !== 'weight') return null;
    const x = this.scale().x(this.store.inBagG());
    return { x, y: this.scale().y(chance.chance), left: x > this.plot.width * 0.8 };
  });

  /** Null prices are not on the price front; they have no place in its picture. */
  private burden({ kit }: TriedKit): number {
    return this.by() === 'weight' ? kit.grams : (kit.price ?? -1);
  }

  private place(kit: TriedKit): { readonly x: number; readonly y: number } {
    return { x: this.scale().x(this.burden(kit)), y: this.scale().y(kit.chance) };
  }

  private words(tried: TriedKit): string {
    const { kit } = tried;
    const found = this.state()?.found;
    const name = found ? kitName(found.batteries[kit.battery], found.suns[kit.sun]) : '';
    const price = kit.price === null ? '' : `, price ${sayMoney(kit.price)}`;
    return `${name}: ${sayQuantity({ value: kit.grams, unit: 'g' })}${price}, ${sayChance(tried)}`;
  }
}
