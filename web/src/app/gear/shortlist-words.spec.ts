import type { RadioNeed } from '@knapsack/contract/gear';
import { curlew, shale } from '@knapsack/contract/testing/outing';
import { needView, traitsOf } from './shortlist-words';

type Need = NonNullable<RadioNeed['need']>;

const NEED: Need = { ampereHours: 8, watts: 20, batteryG: 900, panelG: 500, radioG: 600, lessPower: false };
const needs = (id: string, change: Partial<Need> = {}, marginAh = 1.5): RadioNeed => ({
  radio: id,
  need: { ...NEED, ...change },
  problem: null,
  kit: { battery: shale, marginAh } as unknown as RadioNeed['kit'],
});
const view = (all: readonly RadioNeed[]) => needView(curlew, all);

describe('what an outing needs with a radio, in words', () => {
  it('is the battery, the panel and what all of it weighs', () => {
    const { words, shelf } = view([needs('curlew')]);
    expect(words).toBe('8.00 Ah and 20 W: 2.00 kg with the radio.');
    expect(shelf).toBe('Of the shelf without sun: Shale, 1.50 Ah to spare.');
  });

  it('says that no panel is needed, that nobody has weighed the radio, and where it gives less power', () => {
    expect(view([needs('curlew', { watts: 0, radioG: null, lessPower: true })]).words).toBe(
      '8.00 Ah, no panel: 1.40 kg without the radio, at its own highest power.',
    );
  });

  it('says how much more it is than the lightest of all, from ten grams on', () => {
    const lighter = (grams: number) => needs('plover', { batteryG: NEED.batteryG - grams });
    expect(view([needs('curlew'), lighter(10)]).words).toContain(', 0.01 kg more than the lightest.');
    expect(view([needs('curlew'), lighter(9)]).words).not.toContain('lightest');
    expect(view([needs('curlew'), lighter(-700)]).words).not.toContain('lightest');
    // A radio that does not work the outing is not lighter than any.
    const cannot: RadioNeed = { ...needs('plover'), need: null, problem: 'It has no SSB.' };
    expect(view([cannot, needs('curlew')]).words).not.toContain('lightest');
  });

  it('is drawn as shares of the heaviest', () => {
    const heavier = needs('plover', { batteryG: 2900 });
    expect(view([needs('curlew'), heavier]).bar).toEqual({ radio: 15, battery: 22.5, panel: 12.5 });
    expect(needView({ ...curlew, id: 'plover' }, [needs('curlew'), heavier]).bar).toEqual({
      ...{ radio: 15, battery: 72.5, panel: 12.5 },
    });
    expect(view([needs('curlew', { radioG: null })]).bar?.radio).toBe(0);
  });

  it('says what is missing: the answer, the outing’s way to be worked, or a battery', () => {
    expect(view([needs('plover')])).toEqual({ words: 'Curlew: calculating …', shelf: '', bar: null });
    const cannot: RadioNeed = { ...needs('curlew'), need: null, problem: 'It has no SSB.' };
    expect(view([cannot])).toEqual({ words: 'It has no SSB.', shelf: '', bar: null });
    const bare = { ...needs('curlew'), kit: { battery: null, marginAh: 0 } as unknown as RadioNeed['kit'] };
    expect(view([bare]).shelf).toBe('No battery of the shelf lasts without sun.');
  });
});

describe('a radio as it is scored', () => {
  it('is what it takes and stands, and says of nothing that it is there where it is not known', () => {
    const {
      receiveByEarA: _ear,
      fullPowerV: _full,
      maxV: _max,
      internal: _cells,
      quiet: _quiet,
      ...bare
    } = curlew;
    expect(traitsOf(bare)).toEqual({
      figures: { receive: [{ amps: 0.14, source: 'measured' }], transmit: curlew.transmit },
      dropoutV: curlew.dropoutV.value,
      chargesWhileOperating: false,
    });
  });

  it('has what is known', () => {
    const known = { value: 12, source: 'measured' } as const;
    const traits = traitsOf({
      ...curlew,
      ...{
        receiveByEarA: { value: 0.3, source: 'datasheet' },
        fullPowerV: known,
        maxV: { ...known, value: 15 },
      },
      quiet: false,
      internal: { chargesWhileOperating: true } as NonNullable<typeof curlew.internal>,
    });
    expect(traits.figures.receiveByEar).toEqual([{ amps: 0.3, source: 'datasheet' }]);
    expect([traits.fullPowerV, traits.maxV, traits.quiet, traits.chargesWhileOperating]).toEqual([
      ...[12, 15, false, true],
    ]);
  });
});
