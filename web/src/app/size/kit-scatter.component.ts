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
import type { PlotAxis, PlotPoint, PlotView } from './plot-chart';
import { along, PlotComponent } from './plot.component';
import { roundTicks } from './round-ticks';
import { SizeStore, type KitBurden } from './size.store';

const DASH = [5, 4] as const;

/** Kits beyond this many times the lightest that is sure are not drawn: nobody carries them. */
const FAR = 2.2;

/** Every kit that was tried to the end by what it weighs or costs and its chance; those on the front can be tried on. */
@Component({
  selector: 'ks-kit-scatter',
  imports: [InlineChoiceComponent, PlotComponent],
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
      <ks-plot role="group" aria-label="Kits" [view]="view()">
        <span class="words asked" [style.bottom.%]="askedY()">target</span>
        @if (roomX(); as x) {
          <span class="words room" [style.right.%]="100 - x">carry limit</span>
        }
        @for (dot of front(); track dot.kit.rank) {
          <button
            type="button"
            class="on-front"
            [attr.aria-label]="dot.words + ', try'"
            [class.makes]="dot.makes"
            [style.left.%]="dot.left"
            [style.bottom.%]="dot.bottom"
            (mouseenter)="over.set(dot.words)"
            (focus)="over.set(dot.words)"
            (mouseleave)="over.set(null)"
            (blur)="over.set(null)"
            (click)="chosen.emit(dot.kit)"
          ></button>
        }
        @if (mine(); as at) {
          <span
            class="mine"
            [class.leftward]="at.left > 80"
            [style.left.%]="at.left"
            [style.bottom.%]="at.bottom"
          >
            in the bag
          </span>
        }
      </ks-plot>
    </figure>
  `,
})
export class KitScatterComponent {
  private readonly store = inject(SizeStore);
  private readonly chances = inject(ChanceStore);
  readonly chosen = output<TriedKit>();
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
  private readonly yAxis = computed<PlotAxis>(() => ({
    least: this.leastChance(),
    most: 1,
    ticks: roundTicks(this.leastChance(), 1, 5).map((value) => ({
      value,
      words: `${fixed(value * 100, 0)} %`,
    })),
  }));
  private readonly xAxis = computed<PlotAxis>(() => {
    const [least, most] = this.range();
    const per = this.by() === 'weight' ? 1000 / here(1, 'kg') : 1;
    const ticks = roundTicks(least / per, most / per, 7).map((value) => ({
      value: value * per,
      words: this.by() === 'weight' ? `${value} ${unitHere('kg')}` : sayMoney(value),
    }));
    return { least, most, ticks };
  });
  protected readonly askedY = computed(() => along(this.yAxis(), this.store.options().chance));
  protected readonly roomX = computed(() => {
    const room = this.store.roomG();
    const { least, most } = this.xAxis();
    return this.by() === 'weight' && room !== null && room > least && room < most
      ? along(this.xAxis(), room)
      : null;
  });
  protected readonly front = computed(() => {
    const { most } = this.xAxis();
    return this.frontKits()
      .filter((kit) => this.burden(kit) <= most)
      .map((kit) => ({
        kit,
        at: this.place(kit),
        left: along(this.xAxis(), this.burden(kit)),
        bottom: along(this.yAxis(), kit.chance),
        words: this.words(kit),
        makes: kit.chance >= this.store.options().chance,
      }));
  });
  protected readonly view = computed<PlotView>(() => {
    const [x, y] = [this.xAxis(), this.yAxis()];
    const room = this.store.roomG();
    const asked = this.store.options().chance;
    const across = [x.least, x.most].map((value) => ({ x: value, y: asked }));
    const upright = [y.least, y.most].map((value) => ({ x: room ?? 0, y: value }));
    return {
      x,
      y,
      marks: [
        { points: across, colour: 'moss', line: 1.4, dash: DASH },
        ...(this.roomX() === null
          ? []
          : [{ points: upright, colour: 'muted', line: 1.4, dash: DASH } as const]),
        { points: this.tried(), colour: 'kit', dot: 3 },
        { points: this.stairs(), colour: 'slate', line: 'ridge' },
      ],
    };
  });
  protected readonly mine = computed(() => {
    const chance = this.chances.chance();
    if (!chance || this.by() !== 'weight') return null;
    return { left: along(this.xAxis(), this.store.inBagG()), bottom: along(this.yAxis(), chance.chance) };
  });

  private tried(): readonly PlotPoint[] {
    const { most } = this.xAxis();
    return (this.state()?.tried ?? [])
      .filter((kit) => this.burden(kit) <= most && this.burden(kit) >= 0)
      .map((kit) => this.place(kit));
  }

  /** Stairs: between two kits of the front the lighter one is what one has. */
  private stairs(): readonly PlotPoint[] {
    return this.front().flatMap(({ at }, index, all) => {
      const before = all[index - 1]?.at;
      return before ? [{ x: at.x, y: before.y }, at] : [at];
    });
  }

  /** Null prices are not on the price front; they have no place in its picture. */
  private burden({ kit }: TriedKit): number {
    return this.by() === 'weight' ? kit.grams : (kit.price ?? -1);
  }

  private place(kit: TriedKit): PlotPoint {
    return { x: this.burden(kit), y: kit.chance };
  }

  private words(tried: TriedKit): string {
    const { kit } = tried;
    const found = this.state()?.found;
    const name = found ? kitName(found.batteries[kit.battery], found.suns[kit.sun]) : '';
    const price = kit.price === null ? '' : `, price ${sayMoney(kit.price)}`;
    return `${name}: ${sayQuantity({ value: kit.grams, unit: 'g' })}${price}, ${sayChance(tried)}`;
  }
}
