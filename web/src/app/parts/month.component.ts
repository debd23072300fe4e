import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { NgbDatepicker, type NgbDateStruct } from '@ng-bootstrap/ng-bootstrap/datepicker';
import { fromLocalField, toLocalField } from '@knapsack/core';
import { SettingsService } from '../shell/settings.service';

/** A month of days to choose one from, its weeks beginning as the settings have it. The hour stays. */
@Component({
  selector: 'ks-month',
  imports: [NgbDatepicker],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ngb-datepicker
      [startDate]="shown()"
      [firstDayOfWeek]="settings().firstDay"
      [weekdays]="'narrow'"
      [outsideDays]="'hidden'"
      (dateSelect)="choose($event)"
      [dayTemplate]="day"
    />
    <ng-template #day let-date>
      <span class="day" [class.chosen]="isChosen(date)">{{ date.day }}</span>
    </ng-template>
  `,
})
export class MonthComponent {
  readonly timeMs = input.required<number>();
  readonly zone = input.required<string>();
  readonly chosen = output<number>();

  protected readonly settings = inject(SettingsService).settings;
  private readonly local = computed(() => toLocalField(this.timeMs(), this.zone()));
  protected readonly shown = computed<NgbDateStruct>(() => {
    const [year, month, day] = this.local().slice(0, 10).split('-').map(Number);
    return { year, month, day };
  });

  protected isChosen(date: NgbDateStruct): boolean {
    return field(date) === this.local().slice(0, 10);
  }

  protected choose(date: NgbDateStruct): void {
    const timeMs = fromLocalField(field(date) + this.local().slice(10), this.zone());
    if (timeMs !== null) this.chosen.emit(timeMs);
  }
}

const field = ({ year, month, day }: NgbDateStruct): string =>
  `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
