import {
  ChangeDetectionStrategy,
  Component,
  effect,
  ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
  type OnDestroy,
  type OnInit,
} from '@angular/core';
import { FitsTextDirective } from './fits-text.directive';
import { FormValidity } from './form-validity';
import { OwnerDirective } from './owner.directive';

let count = 0;

/**
 * A short text within a sentence, edited in place: Enter or leaving the field commits, Escape restores.
 * What is wrong is said beside it and changes nothing.
 */
@Component({
  selector: 'ks-text',
  imports: [FitsTextDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="inline-edit" [class.wrong]="problem()">
      <input
        #field
        type="text"
        autocomplete="off"
        spellcheck="false"
        [attr.inputmode]="keyboard()"
        placeholder="–"
        [ksFitsText]="text()"
        [value]="text()"
        [attr.aria-label]="label()"
        [attr.aria-invalid]="problem() ? true : null"
        [attr.aria-describedby]="(unit() ? id + '-unit ' : '') + (problem() ? id : '') || null"
        (input)="typed($event)"
        (blur)="commit()"
        (keydown.enter)="commit()"
        (keydown.escape)="restore($event)"
      />
      @if (unit()) {
        <span class="unit" [id]="id + '-unit'">{{ unit() }}</span>
      }
      @if (said() && !problem() && !inHand()) {
        <span class="understood" role="status">{{ said() }}</span>
      }
      @if (problem(); as sentence) {
        <span class="problem" role="alert" [id]="id">{{ sentence }}</span>
      }
    </span>
  `,
})
export class InlineTextComponent implements OnInit, OnDestroy {
  readonly value = input.required<string>();
  readonly label = input.required<string>();
  readonly most = input(120);
  /** Nothing may stand there too: an empty text is committed. */
  readonly mayBeEmpty = input(false);
  /** Stands behind the field. */
  readonly unit = input('');
  /** The keys that a phone offers. */
  readonly keyboard = input<'text' | 'decimal'>('text');
  /** What was made of the last text, until another is typed. */
  readonly said = input<string | null>(null);
  /** A sentence that says what is wrong with a text, or null. */
  readonly refuse = input<(text: string) => string | null>(() => null);
  readonly committed = output<string>();
  /** Every keystroke's text. */
  readonly typing = output<string>();

  protected readonly id = `field-${++count}`;
  protected readonly text = linkedSignal(() => this.value());
  protected readonly inHand = signal(false);
  protected readonly problem = signal<string | null>(null);

  private readonly owner = inject(OwnerDirective, { optional: true });
  private readonly validity = inject(FormValidity, { optional: true });
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  constructor() {
    const { validity } = this;
    if (!validity) return;
    effect(() => validity.report(this.id, this.field().nativeElement, this.problem() !== null));
  }

  ngOnDestroy(): void {
    this.validity?.report(this.id, this.field().nativeElement, false);
  }

  ngOnInit(): void {
    const wrong = this.owner?.wrongText(this.label());
    if (wrong === null || wrong === undefined) return;
    this.text.set(wrong);
    this.problem.set(this.wrongWith(wrong));
  }

  protected typed(event: Event): void {
    this.inHand.set(true);
    this.text.set((event.target as HTMLInputElement).value);
    this.typing.emit(this.text());
    if (this.problem()) this.problem.set(this.wrongWith(this.text().trim()));
  }

  protected commit(): void {
    this.inHand.set(false);
    const text = this.text().trim();
    const problem = this.wrongWith(text);
    this.problem.set(problem);
    this.owner?.keepWrong(this.label(), problem === null ? null : text);
    if (problem !== null) return;
    // The owner's value comes back when it has changed; until then, and where it has not, the old one stands.
    this.text.set(this.value());
    if (text !== this.value()) this.committed.emit(text);
  }

  protected restore(event: Event): void {
    event.stopPropagation();
    this.inHand.set(false);
    this.text.set(this.value());
    this.problem.set(null);
    this.owner?.keepWrong(this.label(), null);
    this.typing.emit(this.text());
  }

  private wrongWith(text: string): string | null {
    if (text === this.value()) return null;
    if (text === '' && this.mayBeEmpty()) return null;
    if (text === '') return `${this.label()} must not be empty.`;
    if (text.length > this.most()) return `${this.label()} must be ${this.most()} characters at the most.`;
    return this.refuse()(text);
  }
}
