import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Lesson } from '@knapsack/contract';
import { LogbookStore } from './logbook.store';

const ICONS = {
  keep: 'bi-arrow-repeat',
  change: 'bi-shuffle',
  buy: 'bi-bag-plus',
  repair: 'bi-wrench',
} as const;

/** A lesson, and where it was learned. */
export interface LessonOf {
  readonly lesson: Lesson;
  readonly trip: string;
  readonly outing: string;
}

/** What is still to be changed, bought or repaired. */
@Component({
  selector: 'ks-open-lessons',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 id="open-lessons">
      Open lessons <span class="muted">{{ open().length }} of {{ all().length }}</span>
    </h2>
    <ul class="lessons" aria-labelledby="open-lessons">
      @for (one of open(); track one.trip + one.lesson.id) {
        <li>
          <i class="bi" [class]="icons[one.lesson.kind]" aria-hidden="true"></i>
          <b>{{ one.lesson.kind }}</b> <span>{{ one.lesson.text }}</span>
          <span class="choices">
            <a [routerLink]="['/trips', one.trip, 'debrief']">{{ one.outing }}</a>
            <button
              type="button"
              class="quiet"
              [attr.aria-label]="'Make it a requirement: ' + one.lesson.text"
              (click)="required.emit(one)"
            >
              Require it
            </button>
          </span>
        </li>
      } @empty {
        <li class="muted">
          None: what a debrief keeps to change, buy or repair stands here until it is done.
        </li>
      }
    </ul>
  `,
})
export class OpenLessonsComponent {
  private readonly store = inject(LogbookStore);
  readonly required = output<LessonOf>();
  protected readonly icons = ICONS;
  protected readonly all = computed<readonly LessonOf[]>(() =>
    this.store
      .entries()
      .flatMap(({ line: { trip, lessons } }) =>
        lessons.map((lesson) => ({ lesson, trip: trip.id, outing: trip.name })),
      ),
  );
  protected readonly open = computed(() =>
    this.all().filter(({ lesson }) => lesson.kind !== 'keep' && lesson.done === undefined),
  );
}
