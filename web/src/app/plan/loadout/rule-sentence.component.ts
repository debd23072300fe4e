import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { ownHoursProblem, type AccessoryRule } from '@knapsack/contract';
import { HOUR_MS } from '@knapsack/core';
import { InlineChoiceComponent } from '../../parts/inline-choice.component';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { InlineSpanComponent } from '../../parts/inline-span.component';
import { spanOf } from '@knapsack/contract/edits';
import { TripStore } from '../../trip/trip.store';
import { ruleWords } from '@knapsack/contract/gear';
import { SelectionStore } from '../../trip/selection.store';

type OwnHours = Extract<AccessoryRule, { when: 'hours' }>['hours'];

/** When an accessory is on in this trip, as a sentence to be corrected in place. */
@Component({
  selector: 'ks-rule-sentence',
  imports: [InlineChoiceComponent, InlineNumberComponent, InlineSpanComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="rule-sentence">
      In this trip it is
      <ks-choice label="When it is on" [value]="chosen()" [choices]="choices()" (picked)="pick($event)" />
      @if (anHour(); as minutes) {
        <ks-number
          field="anHour"
          label="Minutes of every hour"
          [value]="minutes"
          (committed)="changed.emit({ when: 'minutes', anHour: $event })"
        />
      }
      @if (hasColour() && white(); as minutes) {
        and white for
        <ks-number
          field="anHour"
          label="Minutes of every hour in white"
          [value]="minutes.anHour"
          (committed)="changed.emit({ when: 'dark', white: $event })"
        />
        of every hour
      }
      @if (aboveC() !== null) {
        <ks-number
          field="aboveC"
          label="Air temperature from which it is on"
          [value]="aboveC()"
          (committed)="changed.emit({ when: 'warm', aboveC: $event })"
        />
      }
      @for (hours of own(); track $index) {
        <ks-span
          startLabel="On from"
          endLabel="On until"
          [span]="hours"
          [zone]="zone()"
          [acceptStart]="hours.acceptStart"
          [acceptEnd]="hours.acceptEnd"
        />
      }
      @if (own().length > 0) {
        <button type="button" class="quiet" (click)="more()">more hours</button>
        @if (own().length > 1) {
          <button type="button" class="quiet" (click)="less()">less</button>
        }
      }
    </p>
  `,
})
export class RuleSentenceComponent {
  readonly rule = input.required<AccessoryRule>();
  /** It is a lamp that has one colour besides white. */
  readonly hasColour = input(false);
  readonly changed = output<AccessoryRule>();
  private readonly store = inject(TripStore);
  private readonly selection = inject(SelectionStore);
  protected readonly zone = computed(() => this.store.trip()?.place.timeZone ?? 'UTC');
  protected readonly anHour = computed(() => {
    const rule = this.rule();
    return rule.when === 'minutes' ? rule.anHour : null;
  });
  protected readonly white = computed(() => {
    const rule = this.rule();
    return rule.when === 'dark' ? { anHour: rule.white ?? 60 } : null;
  });
  protected readonly aboveC = computed(() => {
    const rule = this.rule();
    return rule.when === 'warm' ? rule.aboveC : null;
  });
  private readonly hours = computed<OwnHours>(() => {
    const rule = this.rule();
    return rule.when === 'hours' ? rule.hours : [];
  });
  protected readonly own = computed(() =>
    this.hours().map((hours, index) => ({
      ...spanOf(hours),
      acceptStart: (timeMs: number) => this.retime(index, { start: new Date(timeMs).toISOString() }),
      acceptEnd: (timeMs: number) => this.retime(index, { end: new Date(timeMs).toISOString() }),
    })),
  );

  protected readonly chosen = computed(() => keyOf(this.rule()));
  protected readonly choices = computed(() => {
    const kinds: { value: string; label: string }[] = [
      { value: 'always', label: 'always on' },
      { value: 'operating', label: 'on while operating' },
      { value: 'transmitting', label: 'on with the transmitter' },
      { value: 'dark', label: 'on in the dark' },
      { value: 'warm', label: 'on while the air is as warm as' },
      { value: 'minutes', label: 'on in every hour for' },
      { value: 'hours', label: 'on in hours of its own' },
    ];
    const rule = this.rule();
    return kinds.some(({ value }) => value === keyOf(rule))
      ? kinds
      : [{ value: keyOf(rule), label: ruleWords(rule) }, ...kinds];
  });

  protected pick(when: string): void {
    switch (when) {
      case 'always':
      case 'operating':
      case 'transmitting':
      case 'dark':
        return this.changed.emit({ when });
      case 'warm':
        return this.changed.emit({ when, aboveC: 22 });
      case 'minutes':
        return this.changed.emit({ when, anHour: 10 });
      case 'hours':
        return this.changed.emit({ when, hours: [this.hoursToBegin()] });
    }
  }

  /** An hour after the last one. */
  protected more(): void {
    const hours = this.hours();
    const endMs = Date.parse(hours[hours.length - 1].end);
    this.emitHours([...hours, { start: iso(endMs + HOUR_MS), end: iso(endMs + 2 * HOUR_MS) }]);
  }

  protected less(): void {
    this.emitHours(this.hours().slice(0, -1));
  }

  private retime(index: number, change: { start?: string; end?: string }): string | null {
    const hours = this.hours().map((span, at) => (at === index ? { ...span, ...change } : span));
    const problem = ownHoursProblem({ when: 'hours', hours });
    if (problem) return problem.sentence;
    this.emitHours(hours);
    return null;
  }

  private emitHours(hours: OwnHours): void {
    this.changed.emit({ when: 'hours', hours });
  }

  /** The selected block's hours, or the first of the outing. */
  private hoursToBegin(): { start: string; end: string } {
    const block = this.selection.selected();
    if (block) return { start: block.start, end: block.end };
    const startMs = Date.parse(this.store.trip()?.start ?? '');
    return { start: iso(startMs), end: iso(startMs + HOUR_MS) };
  }
}

const iso = (timeMs: number): string => new Date(timeMs).toISOString();

/** A rule's kind; one for some modes only is a choice of its own. */
const keyOf = (rule: AccessoryRule): string => ('modes' in rule && rule.modes ? ruleWords(rule) : rule.when);
