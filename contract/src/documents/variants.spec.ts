import { readTrip } from '../schemas/read.js';
import { trip } from '../testing/documents.js';
import { moveOuting, setOuting } from './outing-hours.js';
import { asTrip, dropVariant, keepVariant, nameVariant, partOf, takeInHand } from './variants.js';

const lying = trip({
  floorSoc: 0.2,
  panelPlace: { aim: { how: 'flat' }, mount: 'flat', ground: 'snow' },
});
const heavy = { ...keepVariant(lying, 'v1', 'two batteries'), variantName: 'small and light' };
const changed = {
  ...heavy,
  loadout: [{ gear: 'curlew', count: 1 }],
  batteryUse: 'turns' as const,
  panelPlace: { ...lying.panelPlace!, aim: { how: 'hung' as const } },
};

describe('variants of one outing', () => {
  it('change places, and nothing is lost there and back', () => {
    const other = takeInHand(changed, 'v1');
    expect(partOf(other)).toEqual(partOf(lying));
    expect(other.variantName).toBe('two batteries');
    expect(other.variants![0]).toEqual(jasmine.objectContaining({ id: 'v1', name: 'small and light' }));
    expect(takeInHand(other, 'v1')).toEqual(changed);
  });

  it('share the outing: the ground under the panel, the hours, the place', () => {
    const alone = asTrip(changed, changed.variants![0]);
    expect(alone.panelPlace).toEqual(lying.panelPlace);
    expect(alone.variants).toBeUndefined();
    expect(alone.batteryUse).toBeUndefined();
  });

  it('are named and dropped', () => {
    expect(nameVariant(changed, 'v1', 'heavy').variants![0].name).toBe('heavy');
    expect(nameVariant(changed, null, 'light').variantName).toBe('light');
    expect(dropVariant(changed, 'v1').variants).toBeUndefined();
    expect(dropVariant(changed, 'v2')).toBe(changed);
    expect(takeInHand(changed, 'v2')).toBe(changed);
  });

  it('move and are cut with the outing', () => {
    const hour = 3_600_000;
    const startMs = Date.parse(changed.start);
    const moved = moveOuting(changed, startMs + 24 * hour);
    expect(moved.variants![0].blocks[0].start).toBe('2027-09-05T11:00:00.000Z');
    const cut = setOuting(changed, { startMs, endMs: startMs + 2 * hour });
    expect(cut.variants![0].blocks[0].end).toBe('2027-09-04T12:00:00.000Z');
  });

  it('are read and checked like the one in hand', () => {
    expect(readTrip(changed).ok).toBeTrue();
    const [variant] = changed.variants!;
    const twice = { ...changed, variants: [{ ...variant, blocks: [...variant.blocks, ...variant.blocks] }] };
    const read = readTrip(twice);
    expect(read.ok ? [] : read.problems.map(({ pointer }) => pointer)).toContain('/variants/0/blocks/1/id');
    const many = {
      ...changed,
      variants: Array.from({ length: 4 }, (_, at) => ({ ...variant, id: `v${at}` })),
    };
    expect(readTrip(many).ok).toBeFalse();
  });

  it('have their own way to use the batteries, and say nothing that was not said', () => {
    const base = trip();
    for (const chargeIdle of [true, false])
      expect(partOf({ ...base, batteryUse: 'turns', chargeIdle })).toEqual(
        jasmine.objectContaining({ batteryUse: 'turns', chargeIdle }),
      );
    expect(Object.keys(partOf(base))).not.toContain('chargeIdle');
    expect(asTrip({ ...base, chargeIdle: true }, partOf(base)).chargeIdle).toBeUndefined();
    expect(asTrip(base, partOf({ ...base, chargeIdle: false })).chargeIdle).toBeFalse();
  });
});
