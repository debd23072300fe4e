import { sizeProblems, USUAL_SIZE_OPTIONS, type SizeOptions } from './size-options.js';

const wrong = (change: Partial<SizeOptions>) =>
  sizeProblems({ ...USUAL_SIZE_OPTIONS, ...change }).map(({ pointer, sentence }) => `${pointer} ${sentence}`);

describe('a question for kits', () => {
  it('can be asked as it usually is, and with limits above nothing', () => {
    expect(wrong({})).toEqual([]);
    expect(wrong({ limits: { grams: 1, price: 1, litres: 0.1, pieces: 1 } })).toEqual([]);
    expect(wrong({ limits: { grams: undefined } as unknown as SizeOptions['limits'] })).toEqual([]);
    expect(wrong({ chance: 0.01 })).toEqual([]);
  });

  it('may have a budget of nothing, for what one owns, but no other limit of nothing', () => {
    expect(wrong({ limits: { price: 0 } })).toEqual([]);
    for (const [name, words] of [
      ['grams', 'weight'],
      ['litres', 'volume'],
      ['pieces', 'number of pieces'],
    ])
      expect(wrong({ limits: { [name]: 0 } })).toEqual([
        `/limits/${name} The limit on the ${words} must be above 0; leave it out for none.`,
      ]);
    expect(wrong({ limits: { price: -1 } })).toHaveSize(1);
    expect(wrong({ limits: { grams: NaN } })).toHaveSize(1);
  });

  it('asks for a chance between nothing and certainty, and says which of them it is', () => {
    expect(wrong({ chance: 1 })[0]).toMatch(/^\/chance Nothing is certain/);
    expect(wrong({ chance: 0 })[0]).toMatch(/^\/chance The target chance must be above/);
    expect(wrong({ chance: NaN })).toHaveSize(1);
  });

  it('needs one way at least in which a panel may lie', () => {
    expect(wrong({ aims: [] })).toEqual(['/aims Say at least one way in which a panel may lie.']);
  });
});
