import { inject, Injectable } from '@angular/core';
import type { Gear } from '@knapsack/contract';
import { firstValueFrom } from 'rxjs';
import { newKey } from './new-id';
import { problemText } from './problem-text';
import { ShelfService } from './shelf.service';
import { NoticesService } from '../shell/notices.service';
import { freeName } from '@knapsack/contract/gear';

/** Changes to the shelf, each saved at once and told with a way back. */
@Injectable({ providedIn: 'root' })
export class ShelfKeeper {
  private readonly shelf = inject(ShelfService);
  private readonly notices = inject(NoticesService);

  /** Saves an item; what is wrong is told and leaves the shelf as it was. */
  async save(gear: Gear): Promise<boolean> {
    try {
      await firstValueFrom(this.shelf.replace(gear));
      return true;
    } catch (error) {
      this.notices.show({ text: problemText(error) });
      return false;
    }
  }

  /** Puts an item away, or back on the shelf; trips keep what they use. */
  async putAway(gear: Gear, away: boolean): Promise<void> {
    if (!(await this.save({ ...gear, archived: away }))) return;
    this.notices.show({
      text: away ? `${gear.name} was archived; trips keep it.` : `${gear.name} is on the shelf again.`,
      action: { label: 'Undo', run: () => void this.putAway(this.newest(gear), !away) },
    });
  }

  async duplicate(gear: Gear): Promise<Gear | null> {
    try {
      const copy: Gear = {
        ...gear,
        id: `${gear.kind}-${newKey()}`,
        name: freeName(gear.name, this.shelf.gear()),
      };
      return (await firstValueFrom(this.shelf.create(copy))).document;
    } catch (error) {
      this.notices.show({ text: problemText(error) });
      return null;
    }
  }

  private newest({ id }: Gear): Gear {
    return this.shelf.byId().get(id)!;
  }
}
