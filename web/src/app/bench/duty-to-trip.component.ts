import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { withDutyCycle } from '@knapsack/contract/edits';
import { sayMode, sayQuantity, type Mode } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { ApiService } from '../data/api.service';
import { problemText } from '../data/problem-text';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import type { Choice } from '../parts/choices';
import { NoticesService } from '../shell/notices.service';

/** Gives a transmit duty cycle that was measured to the blocks of its mode in a trip, and takes it back when told. */
@Component({
  selector: 'ks-duty-to-trip',
  imports: [InlineChoiceComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (choices().length > 1) {
      · use it in
      <ks-choice
        [label]="'Trip that takes the duty cycle of ' + say(mode()) + ', segment ' + segment()"
        value=""
        [choices]="choices()"
        (picked)="give($event)"
      />
    }
  `,
})
export class DutyToTripComponent {
  /** Number of the segment that it was measured in. */
  readonly segment = input.required<number>();
  readonly mode = input.required<Mode>();
  /** Transmit duty cycle, 0 to 1. */
  readonly share = input.required<number>();
  private readonly api = inject(ApiService);
  private readonly notices = inject(NoticesService);
  private readonly trips = signal<readonly Choice[]>([]);
  protected readonly say = sayMode;
  protected readonly choices = computed<readonly Choice[]>(() => [
    { value: '', label: 'a trip …' },
    ...this.trips(),
  ]);

  constructor() {
    this.api.trips().subscribe({
      next: (trips) =>
        this.trips.set(
          trips.filter(({ archived }) => !archived).map(({ id, name }) => ({ value: id, label: name })),
        ),
      // Without them there is nothing to choose.
      error: () => this.trips.set([]),
    });
  }

  protected async give(id: string): Promise<void> {
    if (id === '') return;
    try {
      const { document: before, revision } = await firstValueFrom(this.api.trip(id));
      const share = Math.round(this.share() * 100) / 100;
      const after = withDutyCycle(before, this.mode(), share);
      const count = after.blocks.filter((block, index) => block !== before.blocks[index]).length;
      if (count === 0) {
        const why = before.blocks.some(({ mode }) => mode === this.mode())
          ? 'has that duty cycle already'
          : `has no block in ${sayMode(this.mode())}`;
        this.notices.show({ text: `${before.name} ${why}; nothing was changed.` });
        return;
      }
      const saved = await firstValueFrom(this.api.replaceTrip(after, revision));
      this.notices.show({
        text: `${count === 1 ? 'One block' : `${count} blocks`} of ${before.name} now ${count === 1 ? 'has' : 'have'} a duty cycle of ${sayQuantity({ value: share, unit: 'share' })}.`,
        action: {
          label: 'Undo',
          run: () =>
            this.api.replaceTrip(before, saved.revision).subscribe({
              error: (error: unknown) => this.notices.show({ text: problemText(error) }),
            }),
        },
      });
    } catch (error) {
      this.notices.show({ text: problemText(error) });
    }
  }
}
