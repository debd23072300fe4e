import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { sayDay, sayHour } from '@knapsack/core';
import { KeptAnswers } from '../data/kept-answers.service';
import { localZone } from '../data/new-trip';
import { sayWhyNotStay, whyNotStay } from '../shell/stay';

interface KeptTrip {
  readonly id: string;
  readonly name: string;
  readonly as: string;
}

/** What opens on this device without the server, and how it stays or goes. */
@Component({
  selector: 'ks-this-device',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>On this device</h2>
    @if (whyNot) {
      <p>{{ sayWhyNot(whyNot) }}</p>
    } @else {
      <p>
        @if (installed()) {
          Knapsack opens here without its server, and so do the trips that were opened on this device, with
          their gear and log. What you change goes to the server when it is back.
        } @else {
          Knapsack is being put on this device; in a minute it opens here without its server.
        }
      </p>
    }
    @if (trips().length > 0) {
      <ul class="kept-trips">
        @for (trip of trips(); track trip.id) {
          <li>
            {{ trip.name }} <span class="muted">as the server had it {{ trip.as }}</span>
          </li>
        }
      </ul>
    }
    <p>
      @if (trips().length > 0) {
        <button type="button" class="quiet" (click)="remove()">Remove these trips from this device</button>
      }
      @if (persisted() === false) {
        <button type="button" class="quiet" (click)="askToKeep()">Ask the browser never to clear this</button>
      }
    </p>
    @if (persisted() === false) {
      <p class="muted">A browser may clear what it keeps when it runs short of room.</p>
    }
    @if (said()) {
      <p role="status">{{ said() }}</p>
    }
  `,
  host: { class: 'this-device' },
})
export class ThisDeviceComponent {
  private readonly kept = inject(KeptAnswers);
  protected readonly whyNot = whyNotStay();
  protected readonly sayWhyNot = sayWhyNotStay;
  protected readonly trips = signal<readonly KeptTrip[]>([]);
  protected readonly installed = signal(false);
  /** Whether the browser has promised to keep it; null where it does not tell. */
  protected readonly persisted = signal<boolean | null>(null);
  protected readonly said = signal('');

  constructor() {
    void this.look();
  }

  protected async remove(): Promise<void> {
    await this.kept.clear();
    this.said.set(
      'The trips stand on the server alone now. What you typed and the server does not have is still here.',
    );
    await this.look();
  }

  protected async askToKeep(): Promise<void> {
    const granted = await navigator.storage.persist();
    this.persisted.set(granted);
    this.said.set(
      granted
        ? 'The browser keeps it.'
        : 'The browser did not promise it; most do for pages that are opened often.',
    );
  }

  private async look(): Promise<void> {
    const zone = localZone();
    this.trips.set(
      (await this.kept.trips()).map(({ trip: { id, name }, atMs }) => ({
        id,
        name,
        as: `${sayDay(atMs, zone)}, ${sayHour(atMs, zone)}`,
      })),
    );
    const registration = this.whyNot ? undefined : await navigator.serviceWorker.getRegistration();
    this.installed.set(Boolean(registration?.active));
    this.persisted.set((await navigator.storage?.persisted?.()) ?? null);
  }
}
