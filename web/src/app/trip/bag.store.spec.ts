import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MOST_POSITIONS, type Gear, type Trip } from '@knapsack/contract';
import { blockAt, curlew, shale, shelf, trip } from '@knapsack/contract/testing/outing';
import { ShelfService } from '../data/shelf.service';
import { BagStore } from './bag.store';
import { SelectionStore } from './selection.store';
import { TripStore } from './trip.store';

const second: Gear = { ...curlew, id: 'plover', name: 'Plover' };
/** As much of one as the bag looks at. */
const station = { ...shale, id: 'basalt', kind: 'station', name: 'Basalt' } as unknown as Gear;

describe('what is in the bag', () => {
  const present = signal<Trip | null>(trip());
  const gear = signal<readonly Gear[]>(shelf);
  let bag: BagStore;
  const bagOf = (...loadout: [string, number][]) =>
    present.set(trip({ loadout: loadout.map(([id, count]) => ({ gear: id, count })) }));

  beforeEach(() => {
    present.set(trip());
    gear.set(shelf);
    TestBed.configureTestingModule({
      providers: [
        BagStore,
        SelectionStore,
        { provide: TripStore, useValue: { trip: present } },
        { provide: ShelfService, useValue: { gear } },
      ],
    });
    bag = TestBed.inject(BagStore);
  });

  it('is the first of each kind, and nothing where there is none', () => {
    expect(bag.radio()?.id).toBe('curlew');
    expect(bag.battery()?.id).toBe('shale');
    expect([bag.panel(), bag.controller()]).toEqual([null, null]);
    gear.set([second, curlew, shale]);
    bagOf(['shale', 1], ['plover', 1], ['curlew', 1]);
    expect(bag.radio()?.id).toBe('plover');
    present.set(null);
    expect([bag.radio(), bag.loadout(), bag.positions()]).toEqual([null, [], []]);
  });

  it('takes a power station for the battery where there is no other', () => {
    gear.set([...shelf, station]);
    bagOf(['curlew', 1], ['basalt', 1]);
    expect(bag.battery()?.id).toBe('basalt');
    bagOf(['basalt', 1], ['shale', 1]);
    expect(bag.battery()?.id).toBe('shale');
  });

  it('is as the shelf has it; what the shelf does not have is as it travels with the trip', () => {
    present.set(trip({ gear: [{ ...curlew, name: 'as it was' }, second] }));
    expect(bag.gear().get('curlew')?.name).toBe('Curlew');
    expect(bag.gear().get('plover')?.name).toBe('Plover');
  });

  it('has an operating position for each radio, three of one make too, and no more than are planned with', () => {
    gear.set([...shelf, second]);
    bagOf(['shale', 2], ['curlew', 2], ['plover', 1]);
    expect(bag.positions().map(({ id }) => id)).toEqual(['curlew', 'curlew', 'plover']);
    bagOf(['curlew', 100]);
    expect(bag.positions().length).toBe(MOST_POSITIONS);
  });

  it('knows the radio of a block by its position, the first where there is none', () => {
    gear.set([...shelf, second]);
    bagOf(['curlew', 1], ['plover', 1]);
    const block = blockAt('one', 8, 10);
    expect(bag.radioOf(block)?.id).toBe('curlew');
    expect(bag.radioOf({ ...block, station: 2 })?.id).toBe('plover');
    expect(bag.radioOf({ ...block, station: 3 })?.id).toBe('curlew');
  });

  it('stays the same object while hours are changed, so that nothing of it is drawn anew', () => {
    const [loadout, map] = [bag.loadout(), bag.gear()];
    const { blocks, ...rest } = present()!;
    present.set({ ...rest, blocks: blocks.slice(1) });
    expect(bag.loadout()).toBe(loadout);
    expect(bag.gear()).toBe(map);
    present.set(null);
    const nothing = bag.loadout();
    present.set({ ...trip(), loadout: [] });
    present.set(null);
    expect(bag.loadout()).toBe(nothing);
  });

  it('may have a chosen block, and an instant under the cursor', () => {
    const selection = TestBed.inject(SelectionStore);
    expect([selection.selected(), selection.cursorMs()]).toEqual([null, null]);
    selection.select('two');
    expect(selection.selected()).toEqual(blockAt('two', 12, 15));
    present.set(trip({ blocks: [blockAt('one', 8, 10)] }));
    expect(selection.selectedId()).toBe('two');
    expect(selection.selected()).toBeNull();
    present.set(null);
    expect(selection.selected()).toBeNull();
    selection.point(7);
    expect(selection.cursorMs()).toBe(7);
  });
});
