import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { Trip, TripFileChoice, TripFileLook } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { NoticesService } from '../shell/notices.service';

const LARGEST_FILE = 1_900_000;
const MOST_NAMES = 5;

/** A trip out of a file, with its gear, taken among the others: what is here already is never written over unless its owner says so. */
@Component({
  selector: 'ks-trip-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="quiet" (click)="file.click()">Open a trip file</button>
    <input #file type="file" hidden accept=".json" aria-label="Trip file" (change)="take(file)" />
    @if (asked(); as one) {
      <section class="earlier trip-file" aria-labelledby="trip-file-title">
        <h2 id="trip-file-title">{{ one.trip.name }}</h2>
        @if (one.look.trip === 'different') {
          <p>This trip is here already, with other content.</p>
        }
        @if (one.look.newGear.length > 0) {
          <label>
            <input
              type="checkbox"
              [checked]="newGear() === 'shelf'"
              (change)="newGear.set(newGear() === 'shelf' ? 'trip' : 'shelf')"
            />
            Add its gear that is not on your shelf: {{ said(one.look.newGear) }}
          </label>
        }
        @if (one.look.differentGear.length > 0) {
          <label>
            <input
              type="checkbox"
              [checked]="differentGear() === 'file'"
              (change)="differentGear.set(differentGear() === 'file' ? 'shelf' : 'file')"
            />
            Your shelf has other figures for {{ said(one.look.differentGear) }}: put the file’s beside yours
            and use them in this trip
          </label>
        }
        @if (one.look.missingGear.length > 0) {
          <p>
            Its bag also names gear that is neither in the file nor on your shelf:
            {{ said(one.look.missingGear) }}.
          </p>
        }
        <p>
          @if (one.look.trip === 'different') {
            <button type="button" class="solid" (click)="put(one.trip, 'both')">Keep both</button>
            <button type="button" class="quiet" (click)="put(one.trip, 'replace')">
              Replace the one here
            </button>
          } @else {
            <button type="button" class="solid" (click)="put(one.trip, 'both')">Open it</button>
          }
          <button type="button" class="quiet" (click)="asked.set(null)">Leave the file</button>
        </p>
      </section>
    }
  `,
})
export class TripFileComponent {
  /** A trip was taken. */
  readonly taken = output();
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly notices = inject(NoticesService);
  /** A trip of a file about which something is to be asked. */
  protected readonly asked = signal<{ readonly trip: Trip; readonly look: TripFileLook } | null>(null);
  protected readonly newGear = signal<TripFileChoice['newGear']>('shelf');
  protected readonly differentGear = signal<TripFileChoice['differentGear']>('shelf');
  private readonly gearChoice = computed(() => ({
    newGear: this.newGear(),
    differentGear: this.differentGear(),
  }));

  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    this.asked.set(null);
    if (file.size > LARGEST_FILE) {
      return this.say(`${file.name} is larger than 2 MB, which no trip is; nothing was read.`);
    }
    let trip: Trip;
    try {
      trip = JSON.parse(await file.text()) as Trip;
    } catch {
      return this.say(`${file.name} is no trip file: it is not JSON. Nothing was read.`);
    }
    await this.attempt(async () => {
      const look = await firstValueFrom(this.api.lookAtTripFile(trip));
      const gear = look.newGear.length + look.differentGear.length + look.missingGear.length;
      if (look.trip === 'same' && gear === 0) this.say(`${trip.name} is here already, the same.`);
      else if (look.trip === 'new' && gear === 0) await this.put(trip, 'both');
      else this.asked.set({ trip, look });
    });
  }

  /** Where one here is replaced, it is one click away. */
  protected put(trip: Trip, as: TripFileChoice['trip']): Promise<void> {
    return this.attempt(async () => {
      const before = as === 'replace' ? await firstValueFrom(this.api.wholeTrip(trip.id)) : null;
      const choice: TripFileChoice = { trip: as, ...this.gearChoice() };
      const { id, revision } = await firstValueFrom(this.api.takeTripFile(trip, choice));
      this.asked.set(null);
      if (!before) {
        await this.router.navigate(['/trips', id]);
        return;
      }
      this.taken.emit();
      this.notices.show({
        text: `${trip.name} was replaced by the one in the file.`,
        action: {
          label: 'Undo',
          run: () =>
            void this.attempt(async () => {
              await firstValueFrom(this.api.replaceTrip(before.document, revision));
              this.taken.emit();
            }),
        },
      });
    });
  }

  protected said(names: readonly string[]): string {
    const more = names.length - MOST_NAMES;
    return names.slice(0, MOST_NAMES).join(', ') + (more > 0 ? ` and ${more} more` : '');
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      this.say(problemText(error));
    }
  }

  private say(text: string): void {
    this.notices.show({ text });
  }
}
