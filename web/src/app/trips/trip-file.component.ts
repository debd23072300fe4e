import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { Trip } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { newKey } from '../data/new-id';
import { hasStatus, problemText } from '../data/problem-text';
import { NoticesService } from '../shell/notices.service';

const LARGEST_FILE = 1_900_000;

/** A trip out of a file, taken among the others: what is here already is never written over unless its owner says so. */
@Component({
  selector: 'ks-trip-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button type="button" class="quiet" (click)="file.click()">Open a trip file</button>
    <input #file type="file" hidden accept=".json" aria-label="Trip file" (change)="take(file)" />
    @if (there(); as trip) {
      <div class="banner" role="alert">
        {{ trip.name }} is here already, and is not the same as the one in the file.
        <button type="button" (click)="keepBoth(trip)">Keep both</button>
        <button type="button" (click)="replace(trip)">Replace the one here</button>
        <button type="button" (click)="there.set(null)">Leave it</button>
      </div>
    }
  `,
})
export class TripFileComponent {
  /** A trip was taken. */
  readonly taken = output();
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  private readonly notices = inject(NoticesService);
  /** The trip of a file whose id is taken by another. */
  protected readonly there = signal<Trip | null>(null);

  protected async take(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
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
      try {
        await this.open(await firstValueFrom(this.api.createTrip(trip)).then(({ document }) => document));
      } catch (error) {
        if (!hasStatus(error, 409)) throw error;
        const { document } = await firstValueFrom(this.api.trip(trip.id));
        if (JSON.stringify(document) === JSON.stringify(trip))
          this.say(`${document.name} is here already, the same.`);
        else this.there.set(trip);
      }
    });
  }

  protected keepBoth(trip: Trip): Promise<void> {
    const copy = { ...trip, id: `trip-${newKey()}`, name: `${trip.name}, from a file`.slice(0, 120) };
    return this.attempt(async () => {
      const { document } = await firstValueFrom(this.api.createTrip(copy));
      await this.open(document);
    });
  }

  /** The one that was here is one click away. */
  protected replace(trip: Trip): Promise<void> {
    return this.attempt(async () => {
      const before = await firstValueFrom(this.api.trip(trip.id));
      const { revision } = await firstValueFrom(this.api.replaceTrip(trip, before.revision));
      this.there.set(null);
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

  private async open({ id }: Trip): Promise<void> {
    this.there.set(null);
    await this.router.navigate(['/trips', id]);
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
