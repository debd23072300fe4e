import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { withEntry, type Figure, type Gear } from '@knapsack/contract';
import { FOLDS, PROOFS, ROUGH_USES } from '@knapsack/core';
import { GearPriceComponent } from '../figures/gear-price.component';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import type { Choice } from '../parts/choices';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { InlineTextComponent } from '../parts/inline-text.component';
import { ShelfKeeper } from '../data/shelf-keeper.service';

const NONE = 'none';

type DetailFigure = 'packedL' | 'cycles' | 'wetG' | 'dryH';

/** Words of a table, and that none is entered. */
const orNot = (
  table: Readonly<Record<string, { readonly label: string }>>,
  not: string,
): readonly Choice[] => [
  { value: '', label: not },
  ...Object.entries(table).map(([value, { label }]) => ({ value, label })),
];
const SOCKETED: readonly Gear['kind'][] = ['battery', 'station', 'distribution', 'controller'];

/** What an item is besides its figures: owned or wished for, what it costs and how large it packs, tags, ends, a note. */
@Component({
  selector: 'ks-gear-details',
  imports: [GearPriceComponent, InlineChoiceComponent, InlineNumberComponent, InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      <ks-choice
        label="Owned or on the wish list"
        [value]="gear().wished ? 'wished' : 'owned'"
        [choices]="owning"
        (picked)="save({ wished: $event === 'wished' })"
      />, costs <ks-gear-price [gear]="gear()" />, packs to
      <ks-number
        field="packedL"
        label="Packed size"
        [value]="valueOf('packedL')"
        (committed)="set('packedL', $event)"
      />
      @if (isBattery()) {
        , lasts
        <ks-number
          field="cycles"
          label="Charge cycles"
          [value]="valueOf('cycles')"
          (committed)="set('cycles', $event)"
        />
        cycles
      }
    </p>
    <p>
      Proof against
      <ks-choice
        label="What it is proof against"
        [value]="gear().proof ?? ''"
        [choices]="proofs"
        (picked)="saveWord('proof', $event)"
      />,
      <ks-choice
        label="How it packs"
        [value]="gear().folds ?? ''"
        [choices]="folds"
        (picked)="saveWord('folds', $event)"
      />,
      <ks-choice
        label="What rough use it stands"
        [value]="gear().rough ?? ''"
        [choices]="roughUses"
        (picked)="saveWord('rough', $event)"
      />; soaked it weighs
      <ks-number
        field="weightG"
        label="Weight when wet"
        [value]="valueOf('wetG')"
        (committed)="set('wetG', $event)"
      />
      and dries in
      <ks-number
        field="dryH"
        label="Hours to dry"
        [value]="valueOf('dryH')"
        (committed)="set('dryH', $event)"
      />
      @if (hasSockets()) {
        ; has
        <ks-number
          field="sockets"
          label="Sockets"
          [value]="gear().sockets ?? null"
          (committed)="save({ sockets: $event })"
        />
        sockets
      }
    </p>
    <p>
      Is
      <ks-text
        label="A few words on it"
        [value]="gear().about ?? none"
        [most]="200"
        (committed)="save({ about: $event })"
      />; tags
      <ks-text
        label="Tags, with commas"
        [value]="words(gear().tags)"
        [most]="400"
        (committed)="save({ tags: list($event) })"
      />; connectors
      <ks-text
        label="Connectors, end by end, with commas"
        [value]="words(gear().connectors)"
        [most]="400"
        (committed)="save({ connectors: list($event) })"
      />; note
      <ks-text
        label="Note"
        [value]="gear().note ?? none"
        [most]="2000"
        (committed)="save({ note: $event })"
      />
    </p>
  `,
})
export class GearDetailsComponent {
  readonly gear = input.required<Gear>();
  private readonly keeper = inject(ShelfKeeper);
  protected readonly none = NONE;
  protected readonly owning = [
    { value: 'owned', label: 'Owned' },
    { value: 'wished', label: 'On the wish list' },
  ];
  protected readonly proofs = orNot(PROOFS, 'not entered');
  protected readonly folds = orNot(FOLDS, 'how it packs: not entered');
  protected readonly roughUses = orNot(ROUGH_USES, 'rough use: not entered');
  protected readonly hasSockets = computed(() => SOCKETED.includes(this.gear().kind));
  protected readonly isBattery = computed(() => ['battery', 'station'].includes(this.gear().kind));

  protected valueOf(key: DetailFigure): number | null {
    return this.gear()[key]?.value ?? null;
  }

  protected set(key: DetailFigure, value: number): void {
    const before: Figure | null = this.gear()[key] ?? null;
    this.save({ [key]: withEntry(before, { value, source: 'datasheet' }) });
  }

  /** A word of a table; nothing again where that is picked. */
  protected saveWord(key: 'proof' | 'folds' | 'rough', word: string): void {
    const { [key]: _before, ...rest } = this.gear();
    void this.keeper.save((word === '' ? rest : { ...rest, [key]: word }) as Gear);
  }

  protected words = (list: readonly string[] | undefined): string => list?.join(', ') || NONE;

  protected list = (text: string): string[] =>
    text === NONE
      ? []
      : text
          .split(',')
          .map((word) => word.trim())
          .filter((word) => word !== '');

  protected save(change: Partial<Gear>): void {
    void this.keeper.save({ ...this.gear(), ...change } as Gear);
  }
}
