import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Block, Trip } from '@knapsack/contract';
import { ACTIVITIES, ACTIVITY_NAMES, MODE_NAMES, type ActivityName, type Mode } from '@knapsack/core';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { InlineTimeComponent } from '../../parts/inline-time.component';
import { changeBlock, removeBlock, spanOf } from '../edits/blocks';
import { PlanStore } from '../plan.store';

/** The selected block as a sentence whose words and figures are edited in place. */
@Component({
  selector: 'ks-block-sentence',
  imports: [InlineChoiceComponent, InlineNumberComponent, InlineTimeComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.selected(); as block) {
      <p class="block-sentence">
        <ks-choice
          label="Mode"
          [value]="block.mode"
          [choices]="modes"
          (picked)="set({ mode: asMode($event) })"
        />
        at
        <ks-number field="rfW" label="Power" [value]="block.powerW" (committed)="set({ powerW: $event })" />,
        <ks-choice
          label="Activity"
          [value]="block.activity"
          [choices]="activities"
          (picked)="setActivity($event)"
        />, on transmit
        <ks-number
          field="share"
          label="Share on transmit"
          [value]="block.share"
          (committed)="set({ share: $event })"
        />
        of the time,
        <span class="together"
          >from
          <ks-time label="Block starts" [valueMs]="span().startMs" [zone]="zone()" [accept]="acceptStart"
        /></span>
        &ngsp;<span class="together"
          >to <ks-time label="Block ends" [valueMs]="span().endMs" [zone]="zone()" [accept]="acceptEnd"
        /></span>
        &ngsp;<button type="button" class="quiet" (click)="remove(block)">
          <i class="bi bi-trash" aria-hidden="true"></i> Take out
        </button>
      </p>
    } @else {
      <p class="block-sentence hint">
        Pick a block to change it, drag its edges, or draw a new one across free hours.
        <span class="by-keys"><kbd>n</kbd> adds one, <kbd>?</kbd> lists the keys.</span>
      </p>
    }
  `,
})
export class BlockSentenceComponent {
  protected readonly store = inject(PlanStore);
  protected readonly modes = MODE_NAMES.map((mode) => ({ value: mode, label: mode }));
  protected readonly activities = ACTIVITY_NAMES.map((name) => ({
    value: name,
    label: ACTIVITIES[name].label,
  }));

  protected readonly zone = computed(() => this.store.trip()?.place.timeZone ?? 'UTC');
  protected readonly span = computed(() => {
    const block = this.store.selected();
    return block ? spanOf(block) : { startMs: 0, endMs: 0 };
  });

  protected readonly acceptStart = (timeMs: number): string | null => this.retime('start', timeMs);
  protected readonly acceptEnd = (timeMs: number): string | null => this.retime('end', timeMs);

  protected asMode = (name: string): Mode => name as Mode;

  protected set(change: Partial<Omit<Block, 'id'>>): void {
    const id = this.store.selectedId();
    if (id !== null) this.store.edit((trip) => changeBlock(trip, id, change));
  }

  /** Another activity brings its usual share along. */
  protected setActivity(name: string): void {
    const activity = name as ActivityName;
    this.set({ activity, share: ACTIVITIES[activity].share });
  }

  protected remove({ id }: Block): void {
    this.store.edit((trip) => removeBlock(trip, id));
    this.store.selectedId.set(null);
  }

  private retime(edge: 'start' | 'end', timeMs: number): string | null {
    const id = this.store.selectedId();
    if (id === null) return null;
    const change = { [edge]: new Date(timeMs).toISOString() };
    return this.store.tryEdit((trip: Trip) => changeBlock(trip, id, change));
  }
}
