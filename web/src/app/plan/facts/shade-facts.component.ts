import { ChangeDetectionStrategy, Component, computed, inject, Injector } from '@angular/core';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { InlineSpanComponent } from '../../parts/inline-span.component';
import { InlineTextComponent } from '../../parts/inline-text.component';
import {
  spanOf,
  addShade,
  changePanelPlace,
  changeShade,
  OPEN,
  readCourse,
  removeShade,
  sayCourse,
} from '@knapsack/contract/edits';
import { TripStore } from '../../trip/trip.store';

/** What stands between sun and panel: hours of shade, and the skyline. */
@Component({
  selector: 'ks-shade-facts',
  imports: [InlineNumberComponent, InlineSpanComponent, InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (shade of shades(); track $index) {
      <p class="shade-hours">
        <ks-text
          [label]="'What shades it, ' + ($index + 1)"
          [value]="shade.label"
          [most]="60"
          (committed)="name($index, $event)"
        />
        shades
        <ks-number
          field="fraction"
          [label]="'Shaded share of the panel, ' + ($index + 1)"
          [value]="shade.fraction"
          (committed)="setFraction($index, $event)"
        />
        of it
        <ks-span
          startLabel="Shade begins"
          endLabel="Shade ends"
          [span]="shade"
          [zone]="zone()"
          [acceptStart]="shade.acceptStart"
          [acceptEnd]="shade.acceptEnd"
        />
        <button
          type="button"
          class="quiet"
          [attr.aria-label]="'Remove shade ' + ($index + 1)"
          (click)="remove($index)"
        >
          <i class="bi bi-x-lg"></i>
        </button>
      </p>
    }
    <p>
      Skyline
      <ks-text
        label="Skyline: directions and heights in degrees"
        [value]="skyline()"
        [most]="400000"
        [refuse]="refuseSkyline"
        (committed)="setSkyline($event)"
      />
      <button type="button" class="quiet" (click)="openSkyline()">edit the skyline</button>
      <button type="button" class="quiet" (click)="add()">
        <i class="bi bi-plus-lg" aria-hidden="true"></i> hours of shade
      </button>
    </p>
  `,
})
export class ShadeFactsComponent {
  private readonly store = inject(TripStore);
  private readonly modals = inject(NgbModal);
  private readonly injector = inject(Injector);
  protected readonly zone = computed(() => this.store.trip()?.place.timeZone ?? 'UTC');
  protected readonly shades = computed(() =>
    (this.store.trip()?.panelPlace?.shade ?? []).map((hours, index) => ({
      ...spanOf(hours),
      label: hours.label ?? 'shade',
      fraction: hours.fraction,
      acceptStart: (timeMs: number) => this.retime(index, { start: new Date(timeMs).toISOString() }),
      acceptEnd: (timeMs: number) => this.retime(index, { end: new Date(timeMs).toISOString() }),
    })),
  );
  protected readonly skyline = computed(
    () => sayCourse(this.store.trip()?.panelPlace?.horizon ?? []) || OPEN,
  );

  protected readonly refuseSkyline = (text: string): string | null => {
    const read = readCourse(text);
    return read.ok ? null : read.problems[0].sentence;
  };

  protected setSkyline(text: string): void {
    const read = readCourse(text);
    if (read.ok) this.store.edit((trip) => changePanelPlace(trip, { horizon: read.value }));
  }

  /** The skyline over a compass strip, with the plan's own store behind it. */
  protected async openSkyline(): Promise<void> {
    const { SkylineDialog } = await import('../skyline/skyline.dialog');
    this.modals.open(SkylineDialog, {
      ariaLabelledBy: 'skyline-title',
      injector: this.injector,
      size: 'lg',
    });
  }

  protected add(): void {
    this.store.edit(addShade);
  }

  protected remove(index: number): void {
    this.store.edit((trip) => removeShade(trip, index));
  }

  protected name(index: number, label: string): void {
    this.store.edit((trip) => changeShade(trip, index, { label }));
  }

  protected setFraction(index: number, fraction: number): void {
    this.store.edit((trip) => changeShade(trip, index, { fraction }));
  }

  private retime(index: number, change: { start?: string; end?: string }): string | null {
    return this.store.tryEdit((trip) => changeShade(trip, index, change));
  }
}
