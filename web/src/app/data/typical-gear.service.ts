import { inject, Injectable, signal } from '@angular/core';
import type { Gear, GearKind } from '@knapsack/contract';
import { habits } from '@knapsack/core';
import { firstValueFrom } from 'rxjs';
import { NoticesService } from '../shell/notices.service';
import { problemText } from './problem-text';
import { ShelfService } from './shelf.service';

/** Gear with figures that are usual for its kind, for those who have none of their own yet; it comes onto the shelf when it is taken. */
@Injectable({ providedIn: 'root' })
export class TypicalGearService {
  private readonly shelf = inject(ShelfService);
  private readonly notices = inject(NoticesService);
  private readonly known = signal<readonly Gear[]>([]);

  /** Typical items by kind; none until they were asked for. */
  readonly all = this.known.asReadonly();

  async load(): Promise<readonly Gear[]> {
    const { typicalGear } = await import('@knapsack/contract/typical');
    this.known.set(typicalGear(habits().currency));
    return this.all();
  }

  of(kind: GearKind): readonly Gear[] {
    return this.all().filter((gear) => gear.kind === kind);
  }

  /** Puts a typical item on the shelf where it is not there yet. @returns its id, or null where the shelf did not take it */
  async take(id: string): Promise<string | null> {
    if (this.shelf.gear().some((gear) => gear.id === id)) return id;
    const item = this.all().find((gear) => gear.id === id);
    if (!item) return null;
    try {
      await firstValueFrom(this.shelf.create(item));
      return id;
    } catch (error) {
      this.notices.show({ text: problemText(error) });
      return null;
    }
  }
}
