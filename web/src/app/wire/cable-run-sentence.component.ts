import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import type { AddedKind, CableRunNote } from '@knapsack/contract';
import { changeCableRun, insertBefore, tryCableRun } from '@knapsack/contract/harness';
import { CONNECTOR_ENDS, usualKind, type Connector, type HarnessPart } from '@knapsack/core';
import { newKey } from '../data/new-id';
import { ShelfService } from '../data/shelf.service';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import type { Choice } from '../parts/choices';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { TripStore } from '../trip/trip.store';
import { AddedPartComponent } from './added-part.component';
import {
  ADDED,
  CONNECTOR_CHOICES,
  FUSE_CHOICES,
  keyOf,
  LIES,
  METALS,
  NOT_SAID,
  wireSizes,
} from './cable-run-choices';
import { OffDirective } from '../parts/off.directive';
import { OwnerDirective } from '../parts/owner.directive';
import { CableRunFiguresComponent } from './cable-run-figures.component';
import { WireStore } from '../trip/wire.store';

/** What the chosen run is made of, in a sentence that is edited in place, and what flows in it. */
@Component({
  selector: 'ks-cable-run-sentence',
  imports: [
    OffDirective,
    OwnerDirective,
    AddedPartComponent,
    InlineChoiceComponent,
    InlineNumberComponent,
    CableRunFiguresComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (chosen of inHand(); track chosen.id) {
      @if (chosen.run; as run) {
        <p class="run-sentence" [ksOwner]="plan.trip()?.id + ' ' + chosen.id">
          <b>{{ label() }}</b>:
          <ks-number
            field="lengthM"
            label="Length, one way"
            [value]="run.wire?.lengthM ?? null"
            [refuse]="refuses.lengthM"
            (committed)="say({ lengthM: $event })"
          />
          of
          <ks-choice label="Wire" [value]="size()" [choices]="sizes()" (picked)="setSize($event)" />&ngsp;
          <ks-choice
            label="What the wire is of"
            [value]="run.wire?.size?.isClad ? 'clad' : 'copper'"
            [choices]="metals"
            (picked)="say({ clad: $event === 'clad' })"
          />&ngsp;
          <ks-choice
            label="How it lies"
            [value]="run.wire?.bundled ? 'bundled' : 'free'"
            [choices]="lies"
            (picked)="say({ bundled: $event === 'bundled' })"
          />. Fuse
          <ks-number
            field="bladeA"
            label="Fuse"
            [value]="run.fuseA ?? null"
            [refuse]="refuses.fuseA"
            (committed)="say({ fuseA: $event })"
          />
          @if (hasFuse()) {
            &ngsp;<ks-choice
              label="Kind of fuse"
              [value]="fuseKind()"
              [choices]="fuseKinds"
              (picked)="say({ fuseKind: $event })"
            />
            at
            <ks-number
              field="fuseAtM"
              label="Distance of the fuse"
              [value]="run.fuseAtM"
              [refuse]="refuses.fuseAtM"
              (committed)="say({ fuseAtM: $event })"
            />
            from {{ chosen.kind === 'battery' ? chosen.name : above()?.name }}.
          } @else {
            &ngsp;<button
              type="button"
              class="quiet"
              (click)="say({ fuseA: 0 })"
              [ksOff]="run.fuseA === null"
            >
              there is none</button
            >.
          }
          At {{ above()?.name }} it ends in
          <ks-choice
            label="Connector at the battery's end"
            [value]="end(run.near)"
            [choices]="connectors"
            (picked)="setEnd('near', $event)"
          />, at {{ chosen.name }} in
          <ks-choice
            label="Connector at the part's end"
            [value]="end(run.far)"
            [choices]="connectors"
            (picked)="setEnd('far', $event)"
          />. Fed from
          <ks-choice
            label="Fed from"
            [value]="chosen.from ?? ''"
            [choices]="feeds()"
            (picked)="say({ from: $event })"
          />, with
          <ks-choice label="Part in between" value="" [choices]="added" (picked)="insert($event)" />
          in between.
          @if (chosen.kind === 'panel') {
            A fuse in each string:
            <ks-number
              field="bladeA"
              label="Fuse in each string"
              [value]="run.stringFuseA ?? null"
              [refuse]="refuses.stringFuseA"
              (committed)="say({ stringFuseA: $event })"
            />.
          }
          @if (isNoted()) {
            <button type="button" class="quiet" (click)="asTheBag()">As the bag has it</button>
          }
        </p>
        @if (problem(); as sentence) {
          <p class="problem" role="alert">{{ sentence }}</p>
        }
        @if (reported(); as figures) {
          <ks-cable-run-figures [run]="figures" />
        }
      } @else {
        <p class="run-sentence">
          <b>{{ chosen.name }}</b>: the harness begins here.
        </p>
      }
      <ks-added-part [part]="chosen" />
    } @empty {
      <p class="muted">
        Choose a run or a part on the drawing to see its figures and to change it. Volts are those with the
        battery at the lowest that the plan takes it to, listening and with the key down.
      </p>
    }
  `,
})
export class CableRunSentenceComponent {
  protected readonly wire = inject(WireStore);
  protected readonly plan = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  protected readonly connectors = CONNECTOR_CHOICES;
  protected readonly added = ADDED;
  protected readonly lies = LIES;
  protected readonly metals = METALS;
  protected readonly fuseKinds = FUSE_CHOICES;
  /** What cannot be, of the part that is chosen. */
  protected readonly problem = linkedSignal<string | undefined, string | null>({
    source: () => this.part()?.id,
    computation: () => null,
  });

  protected readonly part = computed<HarnessPart | null>(() => {
    const chosen = this.wire.chosen();
    return this.wire.report()?.parts.find(({ id }) => id === chosen?.part) ?? null;
  });
  /** The chosen part, so that each has fields of its own: what is wrong in one never stands in another. */
  protected readonly inHand = computed(() => {
    const part = this.part();
    return part ? [part] : [];
  });
  protected readonly above = computed(() =>
    this.wire.report()?.parts.find(({ id }) => id === this.part()?.from),
  );
  protected readonly reported = computed(() =>
    this.wire.report()?.runs.find(({ part }) => part === this.part()?.id),
  );
  protected readonly label = computed(() => this.reported()?.label ?? this.part()?.name ?? '');
  protected readonly hasFuse = computed(() => typeof this.part()?.run?.fuseA === 'number');
  protected readonly fuseKind = computed(() => {
    const { fuseA, fuseKind } = this.part()?.run ?? {};
    return fuseKind ?? (fuseA ? usualKind(fuseA) : '');
  });
  protected readonly size = computed(() => {
    const size = this.part()?.run?.wire?.size;
    if (!size) return '';
    return size.awg === null ? `mm ${Number(size.areaMm2.toFixed(3))}` : `awg ${size.awg}`;
  });
  /** The sizes that are sold, and the one that there is. */
  protected readonly sizes = computed<readonly Choice[]>(() => {
    const size = this.size();
    const sold = wireSizes();
    if (size === '') return [NOT_SAID, ...sold];
    if (sold.some(({ value }) => value === size)) return sold;
    const [kind, figure] = size.split(' ');
    return [{ value: size, label: kind === 'mm' ? `${figure} mm²` : `AWG ${figure}` }, ...sold];
  });
  /** What a run may hang from: everything but what hangs from it. */
  protected readonly feeds = computed<readonly Choice[]>(() => {
    const part = this.part();
    const parts = this.wire.report()?.parts ?? [];
    if (!part) return [];
    return parts
      .filter(({ id, kind }) => id === part.from || (id !== part.id && kind !== 'panel' && kind !== 'load'))
      .map(({ id, name }) => ({ value: id, label: name }));
  });
  protected readonly isNoted = computed(
    () => this.plan.trip()?.harness?.runs?.some(({ to }) => to === this.part()?.id) ?? false,
  );
  protected readonly end = (connector: Connector | null): string => (connector ? keyOf(connector) : '');
  /** What cannot be wired so is refused in its field, with the sentence that says why. */
  protected readonly refuses = {
    lengthM: (lengthM: number) => this.refusal({ lengthM }),
    fuseA: (fuseA: number) => this.refusal({ fuseA }),
    fuseAtM: (fuseAtM: number) => this.refusal({ fuseAtM }),
    stringFuseA: (stringFuseA: number) => this.refusal({ stringFuseA }),
  };

  protected setSize(value: string): void {
    const [kind, figure] = value.split(' ');
    if (!figure) return;
    this.say(kind === 'mm' ? { areaMm2: Number(figure) } : { awg: Number(figure) });
  }

  protected setEnd(which: 'near' | 'far', value: string): void {
    const connector = CONNECTOR_ENDS.find((one) => keyOf(one) === value);
    const id = this.part()?.id;
    if (!id) return;
    if (connector) this.say({ [which]: connector });
    else this.plan.edit((trip) => changeCableRun(trip, id, { [which]: undefined }));
  }

  /** Something said of the chosen run; what cannot be is answered with a sentence. */
  protected say(said: Partial<CableRunNote>): void {
    const trip = this.plan.trip();
    const id = this.part()?.id;
    if (!trip || !id) return;
    const changed = tryCableRun(trip, this.shelf.gear(), id, said);
    this.problem.set(changed.ok ? null : changed.problems[0].sentence);
    if (changed.ok) this.plan.edit(() => changed.value);
    // A choice that was refused stands as it was.
    else this.wire.chosen.update((chosen) => chosen && { ...chosen });
  }

  protected insert(kind: string): void {
    const part = this.part();
    if (!part?.from || kind === '') return;
    const { id, from } = part;
    const added = `${kind}-${newKey()}`;
    this.plan.edit((trip) => insertBefore(trip, kind as AddedKind, id, from, added));
    this.wire.chosen.set({ part: added, on: 'part' });
  }

  protected asTheBag(): void {
    const id = this.part()?.id;
    this.plan.edit((trip) => ({
      ...trip,
      harness: { ...trip.harness, runs: (trip.harness?.runs ?? []).filter(({ to }) => to !== id) },
    }));
  }

  private refusal(said: Partial<CableRunNote>): string | null {
    const trip = this.plan.trip();
    const id = this.part()?.id;
    if (!trip || !id) return null;
    const changed = tryCableRun(trip, this.shelf.gear(), id, said);
    return changed.ok ? null : changed.problems[0].sentence;
  }
}
