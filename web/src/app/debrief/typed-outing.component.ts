import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FIELDS, readNumber, type FieldName } from '@knapsack/contract';
import { entriesOfFigures } from '@knapsack/contract/debrief';
import { newKey } from '../data/new-id';
import { OutingLog } from '../trip/outing-log';
import { TripStore } from '../trip/trip.store';

/** An outing in three figures, for who entered nothing on the way: "7.4 Ah in 5 h 20, 40 contacts". */
@Component({
  selector: 'ks-typed-outing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form class="typed-outing" (submit)="keep($event)">
      <label
        >Used, Ah <input type="text" inputmode="decimal" [value]="usedAh()" (input)="usedAh.set(of($event))"
      /></label>
      <label
        >On the air, h
        <input type="text" [value]="hours()" (input)="hours.set(of($event))" placeholder="5 h 20"
      /></label>
      <label
        >Contacts
        <input type="text" inputmode="numeric" [value]="contacts()" (input)="contacts.set(of($event))"
      /></label>
      <button type="submit" class="chip">Enter</button>
    </form>
    @if (problem(); as sentence) {
      <p class="problem" role="alert">{{ sentence }}</p>
    }
  `,
})
export class TypedOutingComponent {
  private readonly trips = inject(TripStore);
  private readonly log = inject(OutingLog);
  protected readonly usedAh = signal('');
  protected readonly hours = signal('');
  protected readonly contacts = signal('');
  protected readonly problem = signal<string | null>(null);
  protected readonly of = (event: Event) => (event.target as HTMLInputElement).value;

  protected keep(event: Event): void {
    event.preventDefault();
    const trip = this.trips.trip();
    if (!trip) return;
    const [usedAh, hours, contacts] = (
      [
        ['countedAh', this.usedAh()],
        ['onAirHours', this.hours()],
        ['contactCount', this.contacts()],
      ] as const
    ).map(([field, text]) => read(field, text));
    const wrong = [usedAh, hours, contacts].find((one) => one.problem);
    this.problem.set(wrong?.problem ?? null);
    if (wrong) return;
    const typed = { usedAh: usedAh.value, hours: hours.value, contacts: contacts.value };
    const found = entriesOfFigures(trip, typed, this.log.standing(), Date.now(), newKey);
    if (!found.ok) {
      this.problem.set(found.problems[0].sentence);
      return;
    }
    this.log.add(...found.value);
    this.usedAh.set('');
    this.hours.set('');
    this.contacts.set('');
  }
}

/** What stands in a field; null where nothing does. */
function read(field: FieldName, text: string): { readonly value: number | null; readonly problem?: string } {
  if (text.trim() === '') return { value: null };
  const found = readNumber(FIELDS[field], text);
  return 'problem' in found ? { value: null, problem: found.problem } : { value: found.value };
}
