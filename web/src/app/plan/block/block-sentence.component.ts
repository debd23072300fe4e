import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { blockDuty, positionOf, type Block, type RepeatWord, type Trip } from '@knapsack/contract';
import {
  type ActivityName,
  type Assumption,
  type Duty,
  dutyOf,
  familyOf,
  type Mode,
  sayQuantity,
  shareOfDuty,
  usualShare,
} from '@knapsack/core';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { InlineSpanComponent } from '../../parts/inline-span.component';
import { OwnerDirective } from '../../parts/owner.directive';
import { deleteBlock } from '../../lanes/work/block-keys';
import { injectWorkHands } from '../../lanes/work/new-block';
import { NoticesService } from '../../shell/notices.service';
import {
  changeBlock,
  giveToPosition,
  assumeForBlock,
  repeatBlock,
  replaceBlock,
  spanOf,
} from '@knapsack/contract/edits';
import { TripStore } from '../../trip/trip.store';
import { SelectionStore } from '../../trip/selection.store';
import { BagStore } from '../../trip/bag.store';
import {
  ACTIVITY_CHOICES,
  ASSUMPTION_CHOICES,
  MODE_CHOICES,
  PROCESSED,
  REPEAT_CHOICES,
  type ModeWord,
} from './block-choices';

/** A duty with one figure as a person would say it. */
const tidied = <Of extends Duty>(duty: Of, key: keyof Of): Of => ({
  ...duty,
  [key]: Number((duty[key] as number).toFixed((duty[key] as number) < 1 ? 3 : 1)),
});

/** The selected block as a sentence whose words and figures are edited in place. */
@Component({
  selector: 'ks-block-sentence',
  imports: [InlineChoiceComponent, InlineNumberComponent, InlineSpanComponent, OwnerDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (block of chosen(); track block.id) {
      <p class="block-sentence" [ksOwner]="store.trip()?.id + ' ' + block.id">
        <ks-choice
          label="Mode"
          [value]="block.processed ? processed : block.mode"
          [choices]="modes"
          (picked)="setMode($event)"
        />
        at
        <ks-number field="rfW" label="Power" [value]="block.powerW" (committed)="set({ powerW: $event })" />,
        <ks-choice
          label="Activity"
          [value]="block.activity"
          [choices]="activities"
          (picked)="setActivity($event)"
        />, transmit duty cycle
        <ks-number
          field="share"
          label="Transmit duty cycle"
          [value]="block.share"
          (committed)="set({ share: $event })"
        /><span class="muted">{{ learned() }}</span
        >,
        <span class="duty">
          @if (duty(); as now) {
            @if (now.in === 'slots') {
              one in
              <ks-number
                field="oneSlotIn"
                label="One slot in how many"
                [value]="now.oneIn"
                (committed)="setDuty({ in: 'slots', oneIn: $event })"
              />
            } @else {
              in {{ piece() }}s of
              <ks-number
                field="pieceSeconds"
                [label]="'Length of one ' + piece()"
                [value]="now.seconds"
                (committed)="setDuty({ in: 'pieces', perMinute: now.perMinute, seconds: $event })"
              />,
              <ks-number
                field="piecesAMinute"
                [label]="'How many ' + piece() + 's a minute'"
                [value]="now.perMinute"
                (committed)="setDuty({ in: 'pieces', perMinute: $event, seconds: now.seconds })"
              />
            }
          }</span
        >,
        <ks-span
          startLabel="Block starts"
          endLabel="Block ends"
          [span]="span()"
          [zone]="zone()"
          [acceptStart]="acceptStart"
          [acceptEnd]="acceptEnd"
        />,
        <ks-choice
          label="How often"
          [value]="block.repeat ?? 'once'"
          [choices]="repeats"
          (picked)="setRepeat($event)"
        />, consumption figures
        <ks-choice
          label="Consumption figures of the block"
          [value]="block.rating ?? 'trip'"
          [choices]="assumptions"
          (picked)="setAssumption($event)"
        />
        @if (bag.positions().length > 1) {
          on
          <ks-choice
            label="Operating position"
            [value]="positionOfBlock()"
            [choices]="positions()"
            (picked)="setPosition($event)"
          />
        }
        &ngsp;<button type="button" class="quiet" (click)="remove(block)">
          <i class="bi bi-trash" aria-hidden="true"></i> Remove
        </button>
      </p>
    } @empty {
      <p class="block-sentence hint">
        Pick a block to change it, drag its edges, or drag across free hours to add one.
        <span class="by-keys"><kbd>n</kbd> adds one, <kbd>?</kbd> lists the keys.</span>
      </p>
    }
    <p
      class="muted by-keys"
      id="block-keys"
      [class.visually-hidden]="!selection.hint() || !selection.selected()"
    >
      In the block: <kbd>←</kbd> <kbd>→</kbd> move it, <kbd>↑</kbd> <kbd>↓</kbd> its length, <kbd>[</kbd>
      <kbd>]</kbd> power, <kbd>,</kbd> <kbd>.</kbd> duty cycle, <kbd>Enter</kbd> its words,
      <kbd>Delete</kbd> removes it.
    </p>
  `,
})
export class BlockSentenceComponent {
  protected readonly store = inject(TripStore);
  protected readonly bag = inject(BagStore);
  protected readonly selection = inject(SelectionStore);
  private readonly notices = inject(NoticesService);
  private readonly hands = injectWorkHands();
  /** The chosen block, so that each has fields of its own: what is wrong in one never stands in another. */
  protected readonly chosen = computed(() => {
    const block = this.selection.selected();
    return block ? [block] : [];
  });
  protected readonly processed = PROCESSED;
  protected readonly modes = MODE_CHOICES;
  protected readonly activities = ACTIVITY_CHOICES;

  protected readonly zone = computed(() => this.store.trip()?.place.timeZone ?? 'UTC');
  protected readonly span = computed(() => {
    const block = this.selection.selected();
    return block ? spanOf(block) : { startMs: 0, endMs: 0 };
  });

  protected readonly acceptStart = (timeMs: number): string | null => this.retime('start', timeMs);
  protected readonly acceptEnd = (timeMs: number): string | null => this.retime('end', timeMs);

  /** The share as it is counted on the air, with the length of a call that the user last said. */
  protected readonly duty = computed<Duty | null>(() => {
    const block = this.selection.selected();
    if (!block) return null;
    const duty = dutyOf(block.share, block.mode);
    const seconds = this.pieceSeconds().get(`${block.id} ${block.mode}`);
    if (duty.in === 'slots') return Number.isFinite(duty.oneIn) ? tidied(duty, 'oneIn') : null;
    return tidied(
      seconds ? { in: 'pieces', perMinute: (block.share * 60) / seconds, seconds } : duty,
      'perMinute',
    );
  });
  /** What is calculated with in the place of the share, where outings have taught it; empty where none have. */
  protected readonly learned = computed(() => {
    const block = this.selection.selected();
    const { share, from } = block ? blockDuty(block, this.bag.radioOf(block)) : {};
    if (!from || share === undefined) return '';
    return ` (${sayQuantity({ value: share, unit: 'share' })} is used, as outings have taught)`;
  });
  protected readonly piece = computed(() => familyOf(this.selection.selected()?.mode ?? 'CW').piece.name);
  /** Lengths of a call, s, that the user has said, by block and mode. */
  private readonly pieceSeconds = signal<ReadonlyMap<string, number>>(new Map());

  protected readonly repeats = REPEAT_CHOICES;
  protected readonly assumptions = ASSUMPTION_CHOICES;
  protected readonly positionOfBlock = computed(() => {
    const block = this.selection.selected();
    return `${block ? positionOf(block) : 1}`;
  });
  protected readonly positions = computed(() => {
    const radios = this.bag.positions();
    const twice = (name: string) => radios.filter((radio) => radio.name === name).length > 1;
    return radios.map(({ name }, index) => ({
      value: `${index + 1}`,
      label: twice(name) ? `${name}, position ${index + 1}` : name,
    }));
  });

  protected setAssumption(word: Assumption | 'trip'): void {
    const id = this.selection.selectedId();
    if (id !== null) this.store.edit((trip) => assumeForBlock(trip, id, word === 'trip' ? null : word));
  }

  protected setRepeat(word: RepeatWord | 'once'): void {
    const id = this.selection.selectedId();
    if (id === null) return;
    this.tell(this.store.tryEdit((trip) => repeatBlock(trip, id, word === 'once' ? null : word)));
  }

  /** Another operating position takes the block over, unless it does something else then. */
  protected setPosition(number: string): void {
    const id = this.selection.selectedId();
    if (id === null) return;
    this.tell(this.store.tryEdit((trip) => giveToPosition(trip, id, Number(number))));
  }

  private tell(refusal: string | null): void {
    if (refusal) this.notices.show({ text: refusal });
  }

  protected set(change: Partial<Omit<Block, 'id'>>): void {
    const id = this.selection.selectedId();
    if (id !== null) this.store.edit((trip) => changeBlock(trip, id, change));
  }

  /** Another activity brings its usual share along. */
  protected setActivity(activity: ActivityName): void {
    this.set({ activity, share: usualShare(activity, this.selection.selected()?.mode ?? 'CW') });
  }

  /** Another mode keeps the share, but for slots: those have the mode's own timing. */
  protected setMode(name: ModeWord): void {
    const block = this.selection.selected();
    if (!block) return;
    const mode: Mode = name === PROCESSED ? 'SSB' : name;
    const { processed, ...rest } = block;
    this.store.edit((trip) =>
      replaceBlock(trip, {
        ...rest,
        mode,
        ...(name === PROCESSED && { processed: true }),
        ...(block.activity === 'slots' && { share: usualShare('slots', mode) }),
      }),
    );
  }

  /** Takes a share that was counted in calls, packets or slots; what does not fit into a minute is said. */
  protected setDuty(duty: Duty): void {
    const block = this.selection.selected();
    if (!block) return;
    const share = shareOfDuty(duty, block.mode);
    if (!share.ok) {
      this.notices.show({ text: share.problems[0].sentence });
      return;
    }
    if (duty.in === 'pieces') {
      this.pieceSeconds.update((known) => new Map(known).set(`${block.id} ${block.mode}`, duty.seconds));
    }
    this.set({ share: Math.round(share.value * 10_000) / 10_000 });
  }

  protected remove({ id }: Block): void {
    deleteBlock(this.hands, id);
  }

  private retime(edge: 'start' | 'end', timeMs: number): string | null {
    const id = this.selection.selectedId();
    if (id === null) return null;
    const change = { [edge]: new Date(timeMs).toISOString() };
    return this.store.tryEdit((trip: Trip) => changeBlock(trip, id, change));
  }
}
