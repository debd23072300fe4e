import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { WATERFALL_WORDS } from '@knapsack/contract/debrief';
import { fixed, sayQuantity, type Waterfall } from '@knapsack/core';

/** Smaller steps stand together in a row with what no figure explains, Ah. */
const WORTH_A_ROW_AH = 0.05;

/** From the charge that was planned to be used to that which was: a bar for each reason, where it begins and ends. */
@Component({
  selector: 'ks-waterfall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol class="waterfall" aria-label="From planned to actual use">
      @for (row of rows(); track row.words) {
        <li [class.whole]="row.isWhole">
          <span class="why">{{ row.words }}</span>
          <span class="track" aria-hidden="true">
            <i
              [class.more]="row.ah > 0 && !row.isWhole"
              [class.less]="row.ah < 0 && !row.isWhole"
              [style.left.%]="row.left"
              [style.width.%]="row.width"
            ></i>
          </span>
          <span class="ah">{{ row.figure }}</span>
        </li>
      }
    </ol>
  `,
})
export class WaterfallComponent {
  readonly of = input.required<Waterfall>();

  protected readonly rows = computed(() => {
    const { plannedAh, actualAh, steps } = this.of();
    let at = plannedAh;
    const isShown = ({ what, ah }: (typeof steps)[number]) =>
      what !== 'rest' && Math.abs(ah) >= WORTH_A_ROW_AH;
    const shown = steps.filter(isShown).map(({ what, ah }) => ({ words: WATERFALL_WORDS[what], ah }));
    const restAh = steps.filter((step) => !isShown(step)).reduce((sum, { ah }) => sum + ah, 0);
    const moved = [...shown, { words: 'small things and what is not explained', ah: restAh }].map(
      ({ words, ah }) => {
        const from = at;
        at += ah;
        return { words, ah, from, to: at, isWhole: false };
      },
    );
    const bars = [
      { words: 'planned, out of the battery', ah: plannedAh, from: 0, to: plannedAh, isWhole: true },
      ...moved,
      { words: 'actual, out of the battery', ah: actualAh, from: 0, to: actualAh, isWhole: true },
    ];
    const least = Math.min(...bars.flatMap(({ from, to }) => [from, to]));
    const most = Math.max(...bars.flatMap(({ from, to }) => [from, to]));
    const share = (ah: number) => (100 * (ah - least)) / Math.max(1e-9, most - least);
    return bars.map(({ words, ah, from, to, isWhole }) => ({
      ...{ words, ah, isWhole },
      left: share(Math.min(from, to)),
      width: Math.max(0.6, share(Math.max(from, to)) - share(Math.min(from, to))),
      figure: isWhole
        ? sayQuantity({ value: ah, unit: 'Ah' })
        : `${ah > 0 ? '+' : '−'}${fixed(Math.abs(ah), 2)} Ah`,
    }));
  });
}
