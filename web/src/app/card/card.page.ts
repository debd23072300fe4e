import { habits } from '@knapsack/core';
import { OffDirective } from '../parts/off.directive';
import { ChangeDetectionStrategy, Component, effect, inject, signal, type OnDestroy } from '@angular/core';
import { targetOf, type Trip } from '@knapsack/contract';
import { BLANK_LINES, type FieldCard } from '@knapsack/contract/card';
import { USUAL_RATION_OPTIONS, type RationOptions } from '@knapsack/contract/size';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { saveFile } from '../data/save-file';
import { ShelfService } from '../data/shelf.service';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { TripStore } from '../trip/trip.store';
import { kept } from '../trip/kept-options';
import { RoomKeysDirective } from '../trip/room-keys.directive';
import { HarnessShapesComponent } from '../parts/harness-shapes.component';
import type { CardAnswer, CardQuestion } from '../work/card-protocol';

/** The field card: everything that one takes along, on one page. */
@Component({
  selector: 'ks-card',
  imports: [OffDirective, HarnessShapesComponent],
  hostDirectives: [RoomKeysDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './card.page.html',
})
export class CardPage implements OnDestroy {
  private readonly plan = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly api = inject(ApiService);
  private worker: NewestWorker<CardQuestion, CardAnswer> | null = null;
  private readonly ration = kept<RationOptions>('knapsack.ration', USUAL_RATION_OPTIONS);
  protected readonly card = signal<FieldCard | null>(null);
  protected readonly failed = signal(false);
  protected readonly making = signal<'A5' | 'A4' | null>(null);
  protected readonly problem = signal<string | null>(null);
  protected readonly blanks = Array.from({ length: BLANK_LINES });
  constructor() {
    effect(() => {
      const trip = this.plan.trip();
      const shelf = this.shelf.gear();
      if (trip) this.ask({ trip, shelf, ration: this.rationFor(trip) });
    });
  }

  ngOnDestroy(): void {
    this.worker?.dismiss();
  }

  /** The ration's options as the page of it has them, for the trip's own target chance. */
  private readonly rationFor = (trip: Trip): RationOptions => ({ ...this.ration, chance: targetOf(trip) });

  protected print(): void {
    window.print();
  }

  /** The card as a PDF, made by the server. */
  protected async pdf(paper: 'A5' | 'A4'): Promise<void> {
    const trip = this.plan.trip();
    if (!trip || this.making()) return;
    this.making.set(paper);
    this.problem.set(null);
    try {
      const question = {
        trip,
        gear: this.shelf.gear(),
        paper,
        habits: habits(),
        ration: this.rationFor(trip),
      };
      const made = await firstValueFrom(this.api.fieldCard(question));
      saveFile(`${trip.id}-field-card-${paper.toLowerCase()}.pdf`, [made], 'application/pdf');
    } catch (error) {
      this.problem.set(problemText(error));
    } finally {
      this.making.set(null);
    }
  }

  private ask(question: CardQuestion): void {
    this.worker ??= new NewestWorker<CardQuestion, CardAnswer>(() => hireWorker('card'), {
      answered: (card, newest) => {
        this.failed.set(false);
        if (newest) this.card.set(card);
      },
      failed: () => this.failed.set(true),
    });
    this.worker.ask(question);
  }
}
