import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { LESSON_KINDS, type Lesson, type LessonKind } from '@knapsack/contract';
import { newKey } from '../data/new-id';
import { today } from '../data/today';
import { WishService } from '../data/wish.service';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineTextComponent } from '../parts/inline-text.component';
import { BagStore } from '../trip/bag.store';
import { DebriefStore } from './debrief.store';

const KIT = 'kit';
const ICONS: Readonly<Record<LessonKind, string>> = {
  keep: 'bi-arrow-repeat',
  change: 'bi-shuffle',
  buy: 'bi-bag-plus',
  repair: 'bi-wrench',
};

/** What somebody takes along from the outing, in a line each. */
@Component({
  selector: 'ks-lessons',
  imports: [InlineChoiceComponent, InlineTextComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="debrief-lessons">Lessons</h2>
    <ul class="lessons" aria-labelledby="debrief-lessons">
      @for (lesson of lessons(); track lesson.id) {
        <li [class.done]="lesson.done">
          <i class="bi" [class]="icons[lesson.kind]" aria-hidden="true"></i>
          <ks-choice
            [label]="'Kind of lesson: ' + lesson.text"
            [value]="lesson.kind"
            [choices]="kinds"
            (picked)="change(lesson, { kind: $event })"
          />
          <ks-text
            [label]="'Lesson: ' + lesson.text"
            [value]="lesson.text"
            [most]="300"
            (committed)="change(lesson, { text: $event })"
          />
          <ks-choice
            [label]="'What it is about: ' + lesson.text"
            [value]="lesson.gear ?? kit"
            [choices]="gear()"
            (picked)="change(lesson, { gear: $event === kit ? undefined : $event })"
          />
          <span class="choices">
            @if (lesson.kind === 'buy' && !lesson.done) {
              <button
                type="button"
                class="quiet"
                [attr.aria-label]="'Put on the wish list: ' + lesson.text"
                (click)="wish(lesson)"
              >
                To the wish list
              </button>
            }
            @if (lesson.kind !== 'keep') {
              <button
                type="button"
                class="quiet"
                [attr.aria-pressed]="!!lesson.done"
                [attr.aria-label]="'Done: ' + lesson.text"
                (click)="change(lesson, { done: lesson.done ? undefined : day() })"
              >
                {{ lesson.done ? 'Done ' + lesson.done : 'Done' }}
              </button>
            }
            <button
              type="button"
              class="quiet"
              [attr.aria-label]="'Remove the lesson: ' + lesson.text"
              (click)="remove(lesson)"
            >
              <i class="bi bi-trash" aria-hidden="true"></i>
            </button>
          </span>
        </li>
      } @empty {
        <li class="muted">None yet: what to keep, change, buy or repair, in a line.</li>
      }
    </ul>
    <form class="note-entry" (submit)="add($event)">
      <select aria-label="Kind of the new lesson" (change)="kind.set(kindIn($event))">
        @for (one of kinds; track one.value) {
          <option [value]="one.value" [selected]="one.value === kind()">{{ one.label }}</option>
        }
      </select>
      <input
        type="text"
        aria-label="New lesson"
        placeholder="A panel lead that latches."
        maxlength="300"
        [value]="text()"
        (input)="text.set(valueIn($event))"
      />
      <button type="submit" class="chip">Keep</button>
    </form>
  `,
})
export class LessonsComponent {
  private readonly store = inject(DebriefStore);
  private readonly bag = inject(BagStore);
  private readonly wishes = inject(WishService);
  protected readonly kit = KIT;
  protected readonly icons = ICONS;
  protected readonly day = today;
  protected readonly kinds = (Object.keys(LESSON_KINDS) as LessonKind[]).map((value) => ({
    value,
    label: LESSON_KINDS[value],
  }));
  protected readonly kind = signal<LessonKind>('change');
  protected readonly text = signal('');
  protected readonly lessons = computed(() => this.store.notes()?.lessons ?? []);
  protected readonly gear = computed(() => {
    const all = this.bag.gear();
    const carried = this.bag.loadout().map(({ gear }) => gear);
    const named = this.lessons().flatMap(({ gear }) => gear ?? []);
    return [
      { value: KIT, label: 'the kit' },
      ...[...new Set([...carried, ...named])].map((id) => ({ value: id, label: all.get(id)?.name ?? id })),
    ];
  });

  protected readonly kindIn = (event: Event) => (event.target as HTMLSelectElement).value as LessonKind;
  protected readonly valueIn = (event: Event) => (event.target as HTMLInputElement).value;

  protected add(event: Event): void {
    event.preventDefault();
    const text = this.text().trim();
    if (text === '') return;
    this.put((lessons) => [...lessons, { id: `l${newKey()}`, kind: this.kind(), text }]);
    this.text.set('');
  }

  protected change(lesson: Lesson, change: LessonChange): void {
    this.put((lessons) => lessons.map((one) => (one.id === lesson.id ? changed(one, change) : one)));
  }

  protected remove(lesson: Lesson): void {
    this.put((lessons) => lessons.filter(({ id }) => id !== lesson.id));
  }

  /** A piece of gear that is wished for, of the lesson’s words. */
  protected async wish(lesson: Lesson): Promise<void> {
    if (await this.wishes.add(lesson.text)) this.change(lesson, { done: today() });
  }

  private put(change: (lessons: readonly Lesson[]) => readonly Lesson[]): void {
    this.store.change((notes) => ({ ...notes, lessons: change(notes.lessons) }));
  }
}

/** What changes of a lesson; undefined takes a field away. */
interface LessonChange {
  readonly kind?: LessonKind;
  readonly text?: string;
  readonly gear?: string | undefined;
  readonly done?: string | undefined;
}

/** A lesson with a change; fields that are taken away are not there. */
function changed(lesson: Lesson, change: LessonChange): Lesson {
  const { gear, done, ...rest } = { ...lesson, ...change };
  return { ...rest, ...(gear !== undefined && { gear }), ...(done !== undefined && { done }) };
}
