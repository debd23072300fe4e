import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { GEAR_KINDS, type Gear, type GearKind, type Radio } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { ShelfService } from '../data/shelf.service';
import { FocusKeeper } from '../shell/focus-keeper.service';
import { SpeechService } from '../shell/speech.service';
import { NoticesService } from '../shell/notices.service';
import { CompareComponent } from './compare.component';
import { GearCardComponent } from './gear-card.component';
import { KIND_WORDS, inOrder, moved, isOnShelf, matches } from '@knapsack/contract/gear';
import { NewGearService } from '../data/new-gear.service';
import { NoiseTableComponent } from './noise-table.component';
import { ShelfFilesComponent } from './shelf-files.component';
import { ShelfKeeper } from '../data/shelf-keeper.service';
import { ShortlistComponent } from './shortlist.component';
import { InViewDirective } from '../parts/in-view.directive';

const ARROW_STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
};

/** Where an item may go in its row, from its place and how many there are. */
const WAYS: readonly { readonly words: string; readonly to: (at: number, count: number) => number }[] = [
  { words: 'To the front', to: () => 0 },
  { words: 'One place earlier', to: (at) => at - 1 },
  { words: 'One place later', to: (at) => at + 1 },
  { words: 'To the end', to: (_at, count) => count - 1 },
];

/** The shelf of gear: cards by kind, looked through, put in order, compared; the radio shortlist. */
@Component({
  selector: 'ks-gear',
  imports: [
    NoiseTableComponent,
    InViewDirective,
    CdkDrag,
    CdkDragHandle,
    CdkDropList,
    NgbDropdownModule,
    CompareComponent,
    GearCardComponent,
    ShelfFilesComponent,
    ShortlistComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './gear.page.html',
})
export class GearPage {
  protected readonly shelf = inject(ShelfService);
  private readonly api = inject(ApiService);
  private readonly keeper = inject(ShelfKeeper);
  private readonly newGear = inject(NewGearService);
  private readonly notices = inject(NoticesService);
  private readonly speech = inject(SpeechService);
  private readonly focus = inject(FocusKeeper);
  protected readonly ways = WAYS;
  protected readonly kinds = GEAR_KINDS;
  protected readonly kindWords = KIND_WORDS;
  protected readonly search = signal('');
  protected readonly withAway = signal(false);
  protected readonly openId = signal<string | null>(null);
  protected readonly comparedIds = signal<readonly string[]>([]);
  protected readonly loaded = signal(false);
  protected readonly problem = signal<string | null>(null);

  protected readonly isEmpty = computed(() => this.loaded() && this.shelf.gear().length === 0);
  protected readonly awayCount = computed(() => this.shelf.gear().filter((gear) => gear.archived).length);
  /** The kind that is looked at alone; all of them where none is chosen, or none of it is left. */
  protected readonly only = signal<GearKind | null>(null);
  /** What is looked for, by kind. */
  private readonly found = computed(() => {
    const shown = this.shelf
      .gear()
      .filter((gear) => (this.withAway() || isOnShelf(gear)) && matches(gear, this.search()));
    return GEAR_KINDS.map((kind) => ({
      kind,
      items: inOrder(shown.filter((gear) => gear.kind === kind)),
    })).filter(({ items }) => items.length > 0);
  });
  protected readonly chips = computed(() =>
    this.found().map(({ kind, items }) => ({ kind, count: items.length })),
  );
  protected readonly groups = computed(() => {
    const only = this.found().filter(({ kind }) => kind === this.only());
    return only.length > 0 ? only : this.found();
  });
  protected readonly compared = computed(() =>
    this.comparedIds().flatMap((id) => this.shelf.byId().get(id) ?? []),
  );
  protected readonly radios = computed(() =>
    this.shelf.gear().filter((gear): gear is Radio => gear.kind === 'radio' && isOnShelf(gear)),
  );

  constructor() {
    void this.load();
  }

  protected async load(): Promise<void> {
    try {
      this.problem.set(null);
      await firstValueFrom(this.shelf.load());
      this.loaded.set(true);
    } catch (error) {
      this.problem.set(problemText(error));
    }
  }

  protected async demo(): Promise<void> {
    try {
      await firstValueFrom(this.api.loadDemo());
      await this.load();
    } catch (error) {
      this.notices.show({ text: problemText(error) });
    }
  }

  protected look(event: Event): void {
    this.search.set((event.target as HTMLInputElement).value);
  }

  protected toggle(id: string): void {
    this.openId.update((open) => (open === id ? null : id));
  }

  protected compare(id: string): void {
    this.comparedIds.update((ids) => (ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id]));
  }

  protected async make(kind: GearKind): Promise<void> {
    const gear = await this.newGear.make(kind);
    if (!gear) return;
    this.search.set('');
    this.only.set(null);
    this.openId.set(gear.id);
  }

  protected async drop(items: readonly Gear[], event: CdkDragDrop<unknown>): Promise<void> {
    await this.move(items, event.previousIndex, event.currentIndex);
  }

  /** Moves an item of a row one place by an arrow key. */
  protected async shift(items: readonly Gear[], index: number, event: KeyboardEvent): Promise<void> {
    const step = ARROW_STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    await this.step(items, index, index + step);
  }

  /** Moves an item to another place, says where it stands now, and stays with its grip. */
  protected async step(items: readonly Gear[], index: number, to: number): Promise<void> {
    const { id, name } = items[index];
    if (to >= 0 && to < items.length && to !== index) await this.move(items, index, to);
    const place = Math.min(items.length - 1, Math.max(0, to));
    this.speech.say(`${name} is number ${place + 1} of ${items.length}.`, `order of ${id}`);
    // The row stands in its new order after the next drawing.
    this.focus.go(() => document.querySelector<HTMLElement>(`[data-gear="${CSS.escape(id)}"] .grip`));
  }

  private async move(items: readonly Gear[], from: number, to: number): Promise<void> {
    for (const gear of moved(items, from, to)) await this.keeper.save(gear);
  }
}
