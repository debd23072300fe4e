import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FIELDS, readNumber, type AddedKind, type RunNote } from '@knapsack/contract';
import { changeRun, insertBefore, tryRun } from '@knapsack/contract/harness';
import { CONNECTOR_ENDS, usualKind, type Connector, type HarnessPart } from '@knapsack/core';
import { newKey } from '../data/new-id';
import { ShelfService } from '../data/shelf.service';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import type { Choice } from '../parts/choices';
import { InlineTextComponent } from '../parts/inline-text.component';
import { TripStore } from '../trip/trip.store';
import { AddedPartComponent } from './added-part.component';
import { ADDED, CONNECTOR_CHOICES, FUSE_CHOICES, keyOf, LIES, METALS, NOT_SAID, SIZES } from './run-choices';
import { RunFiguresComponent } from './run-figures.component';
import { WireStore } from '../trip/wire.store';

/** What the chosen run is made of, in a sentence that is edited in place, and what flows in it. */
@Component({
  selector: 'ks-run-sentence',
  imports: [AddedPartComponent, InlineChoiceComponent, InlineTextComponent, RunFiguresComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (part(); as chosen) {
      @if (chosen.run; as run) {
        <p class="run-sentence">
          <b>{{ label() }}</b>:
          <ks-text
            label="Length, one way"
            unit="m"
            keyboard="decimal"
            [value]="length()"
            [refuse]="refuseLength"
            (committed)="setLength($event)"
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
          <ks-text
            label="Fuse"
            unit="A"
            keyboard="decimal"
            [value]="fuse()"
            [refuse]="refuseFuse"
            (committed)="setFuse($event)"
          />
          @if (hasFuse()) {
            &ngsp;<ks-choice
              label="Kind of fuse"
              [value]="fuseKind()"
              [choices]="fuseKinds"
              (picked)="say({ fuseKind: $event })"
            />
            at
            <ks-text
              label="Distance of the fuse"
              unit="cm"
              keyboard="decimal"
              [value]="reach()"
              [refuse]="refuseReach"
              (committed)="setReach($event)"
            />
            from {{ chosen.kind === 'battery' ? chosen.name : above()?.name }}.
          } @else {
            &ngsp;<button
              type="button"
              class="quiet"
              (click)="say({ fuseA: 0 })"
              [disabled]="run.fuseA === null"
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
          />. It hangs from
          <ks-choice
            label="What it hangs from"
            [value]="chosen.from ?? ''"
            [choices]="feeds()"
            (picked)="say({ from: $event })"
          />, with
          <ks-choice label="Part in between" value="" [choices]="added" (picked)="insert($event)" />
          put in between.
          @if (chosen.kind === 'panel') {
            A fuse in each string:
            <ks-text
              label="Fuse in each string"
              unit="A"
              keyboard="decimal"
              [value]="stringFuse()"
              [refuse]="refuseString"
              (committed)="setString($event)"
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
          <ks-run-figures [run]="figures" />
        }
      } @else {
        <p class="run-sentence">
          <b>{{ chosen.name }}</b>: the harness begins here.
        </p>
      }
      <ks-added-part [part]="chosen" />
    } @else {
      <p class="muted">
        Choose a run or a part on the drawing to see its figures and to change it. Volts are those with the
        battery at the lowest that the plan takes it to, listening and with the key down.
      </p>
    }
  `,
})
export class RunSentenceComponent {
  protected readonly wire = inject(WireStore);
  protected readonly plan = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  protected readonly connectors = CONNECTOR_CHOICES;
  protected readonly added = ADDED;
  protected readonly lies = LIES;
  protected readonly metals = METALS;
  protected readonly fuseKinds = FUSE_CHOICES;
  protected readonly problem = signal<string | null>(null);

  protected readonly part = computed<HarnessPart | null>(() => {
    const chosen = this.wire.chosen();
    return this.wire.report()?.parts.find(({ id }) => id === chosen?.part) ?? null;
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
  protected readonly length = computed(() => tidy(this.part()?.run?.wire?.lengthM));
  protected readonly fuse = computed(() => tidy(this.part()?.run?.fuseA ?? undefined));
  protected readonly stringFuse = computed(() => tidy(this.part()?.run?.stringFuseA));
  protected readonly reach = computed(() => tidy((this.part()?.run?.fuseAtM ?? 0) * 100));
  protected readonly size = computed(() => {
    const size = this.part()?.run?.wire?.size;
    if (!size) return '';
    return size.awg === null ? `mm ${Number(size.areaMm2.toFixed(3))}` : `awg ${size.awg}`;
  });
  /** The sizes that are sold, and the one that there is. */
  protected readonly sizes = computed<readonly Choice[]>(() => {
    const size = this.size();
    if (size === '') return [NOT_SAID, ...SIZES];
    if (SIZES.some(({ value }) => value === size)) return SIZES;
    const [kind, figure] = size.split(' ');
    return [{ value: size, label: kind === 'mm' ? `${figure} mm²` : `AWG ${figure}` }, ...SIZES];
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
  protected readonly refuseLength = (text: string) =>
    this.refusal('lengthM', text, (lengthM) => ({ lengthM }));
  protected readonly refuseFuse = (text: string) => this.refusal('bladeA', text, (fuseA) => ({ fuseA }));
  protected readonly refuseReach = (text: string) =>
    this.refusal('fuseAtM', text, (fuseAtM) => ({ fuseAtM }));
  protected readonly refuseString = (text: string) =>
    this.refusal('bladeA', text, (stringFuseA) => ({ stringFuseA }));
  protected setString(text: string): void {
    this.setNumber('bladeA', text, (stringFuseA) => ({ stringFuseA }));
  }

  protected setLength(text: string): void {
    this.setNumber('lengthM', text, (lengthM) => ({ lengthM }));
  }

  protected setFuse(text: string): void {
    this.setNumber('bladeA', text, (fuseA) => ({ fuseA }));
  }

  protected setReach(text: string): void {
    this.setNumber('fuseAtM', text, (fuseAtM) => ({ fuseAtM }));
  }

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
    else this.plan.edit((trip) => changeRun(trip, id, { [which]: undefined }));
  }

  /** Something said of the chosen run; what cannot be is answered with a sentence. */
  protected say(said: Partial<RunNote>): void {
    const trip = this.plan.trip();
    const id = this.part()?.id;
    if (!trip || !id) return;
    const changed = tryRun(trip, this.shelf.gear(), id, said);
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

  private refusal(
    field: 'lengthM' | 'bladeA' | 'fuseAtM',
    text: string,
    said: (value: number) => Partial<RunNote>,
  ): string | null {
    const read = readNumber(FIELDS[field], text);
    if ('problem' in read) return read.problem;
    const trip = this.plan.trip();
    const id = this.part()?.id;
    if (!trip || !id) return null;
    const changed = tryRun(trip, this.shelf.gear(), id, said(read.value));
    return changed.ok ? null : changed.problems[0].sentence;
  }

  private setNumber(
    field: 'lengthM' | 'bladeA' | 'fuseAtM',
    text: string,
    said: (value: number) => Partial<RunNote>,
  ): void {
    const read = readNumber(FIELDS[field], text);
    if ('value' in read) this.say(said(read.value));
  }
}

const tidy = (value: number | undefined): string =>
  value === undefined ? '' : String(Number(value.toPrecision(4)));
