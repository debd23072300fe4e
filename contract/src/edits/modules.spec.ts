import { moveOuting, setOuting } from '../documents/outing-hours.js';
import type { Block, LoadoutItem, Trip } from '../documents/trip.js';
import { keepVariant, takeInHand } from '../documents/variants.js';
import { withGearRenamed } from '../formats/trip-file.js';
import { standAlone } from '../resolve/stand-alone.js';
import { readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { leaveModule, takeModule } from './modules.js';

const gear = new Map(kitShelf.map((item) => [item.id, item]));
const [block] = kitTrip().blocks;
const at = (station: number, id: string): Block => ({ ...block, id, ...(station > 1 && { station }) });
const line = (id: string, more: Partial<LoadoutItem> = {}): LoadoutItem => ({ gear: id, count: 1, ...more });

/** Curlew for short wave is position 1, two Dunlin for the local net are 2 and 3, and there is a relay of the base. */
const both = (change: Partial<Trip> = {}): Trip =>
  kitTrip({
    loadout: [
      line('curlew', { module: 'shortWave' }),
      line('shale'),
      line('dunlin', { count: 2, module: 'local' }),
      line('wire', { module: 'shortWave' }),
      line('relay'),
    ],
    blocks: [at(1, 'hf'), at(2, 'net'), at(3, 'talk')],
    ...change,
  });
const positions = ({ blocks }: Pick<Trip, 'blocks'>) =>
  blocks.map(({ id, station = 1 }) => `${id} ${station}`).sort();
const inBag = ({ loadout }: Trip) => loadout.map((item) => item.gear);

describe('a module of the bag', () => {
  it('stays at home as one: its lines, and the hours of its radios; the others move up', () => {
    const local = leaveModule(both(), 'shortWave', gear);
    expect(inBag(local)).toEqual(['shale', 'dunlin', 'relay']);
    expect(positions(local)).toEqual(['net 1', 'talk 2']);
    expect(local.setAside).toEqual([
      {
        module: 'shortWave',
        lines: [
          { at: 0, item: line('curlew', { module: 'shortWave' }) },
          { at: 3, item: line('wire', { module: 'shortWave' }) },
        ],
        blocks: [at(1, 'hf')],
      },
    ]);
    expect(readTrip(local).ok).toBeTrue();
  });

  it('comes along again just as it was, whichever were left in whichever order', () => {
    for (const module of ['shortWave', 'local'] as const) {
      const again = takeModule(leaveModule(both(), module, gear), module, gear);
      expect({ ...again, blocks: positions(again) } as unknown).toEqual({
        ...both(),
        blocks: positions(both()),
      });
    }
    const neither = leaveModule(leaveModule(both(), 'shortWave', gear), 'local', gear);
    expect([inBag(neither), neither.blocks]).toEqual([['shale', 'relay'], []]);
    const local = takeModule(neither, 'local', gear);
    expect(positions(local)).toEqual(['net 1', 'talk 2']);
    const all = takeModule(local, 'shortWave', gear);
    expect(positions(all)).toEqual(positions(both()));
    expect(inBag(all).sort()).toEqual(inBag(both()).sort());
    expect(all.setAside).toBeUndefined();
  });

  it('is nothing where nothing is taken for it, or it is along already', () => {
    const trip = both();
    expect(leaveModule(trip, 'winter', gear)).toBe(trip);
    expect(takeModule(trip, 'local', gear)).toBe(trip);
  });

  it('leaves what was put in the bag meanwhile as it is', () => {
    const without = leaveModule(both(), 'shortWave', gear);
    const own = line('curlew', { count: 1, bag: 'b' });
    const taken = takeModule({ ...without, loadout: [...without.loadout, own] }, 'shortWave', gear);
    expect(taken.loadout.filter((item) => item.gear === 'curlew')).toEqual([own]);
    expect(positions(taken)).toEqual(['hf 3', 'net 1', 'talk 2']);
  });

  it('goes with the outing: moved, cut, in variants, in files', () => {
    const charger = line('mains', {
      module: 'shortWave',
      charging: { hours: [{ start: block.start, end: block.end }], generator: 'drone' },
    });
    const aside = leaveModule(both({ loadout: [...both().loadout, charger] }), 'shortWave', gear);
    const [moved] = moveOuting(aside, Date.parse(aside.start) + 86_400_000).setAside!;
    const later = (time: string) => Date.parse(time) + 86_400_000;
    expect(Date.parse(moved.blocks[0].start)).toBe(later(block.start));
    expect(Date.parse(moved.lines[2].item.charging!.hours[0].start)).toBe(later(block.start));
    const half = (Date.parse(block.start) + Date.parse(block.end)) / 2;
    const [cut] = setOuting(aside, { startMs: half, endMs: Date.parse(aside.end) }).setAside!;
    expect(Date.parse(cut.blocks[0].start)).toBe(half);
    const kept = keepVariant(both(), 'v', 'light');
    const inHand = takeInHand(leaveModule(kept, 'local', gear), 'v');
    expect([inHand.setAside, inHand.variants![0].setAside!.length]).toEqual([undefined, 1]);
    expect(standAlone(aside, kitShelf).gear!.map(({ id }) => id)).toContain('curlew');
    const renamed = withGearRenamed(
      aside,
      new Map([
        ['curlew', 'curlew-2'],
        ['drone', 'drone-2'],
      ]),
    );
    expect(renamed.setAside![0].lines.map(({ item }) => item.gear)).toEqual(['curlew-2', 'wire', 'mains']);
    expect(renamed.setAside![0].lines[2].item.charging!.generator).toBe('drone-2');
  });
});
