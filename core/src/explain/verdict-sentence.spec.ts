import { describeTarget, leadWithStops, plainSentence, stopClause } from './verdict-sentence.js';

describe('the sentence of a plan with stops', () => {
  it('begins with the first of them in one clause, then how many, then the energy', () => {
    const answer = ['Lasts in ', { text: 'all of 400', unfolds: 'chance' as const }, ' outings.'];
    expect(plainSentence(leadWithStops([], answer))).toBe('Lasts in all of 400 outings.');
    expect(plainSentence(leadWithStops(['A burns: it is hot. Cool it.', 'B'], answer))).toBe(
      'A burns. 2 stops in all. Energy alone: lasts in all of 400 outings.',
    );
  });

  it('cuts neither at a figure nor at the number of a piece', () => {
    expect(stopClause('Shale no. 2 gives 13.8 V: too much.')).toBe('Shale no. 2 gives 13.8 V');
    expect(stopClause('The 24.0 V of it would destroy the radio. Take less.')).toBe(
      'The 24.0 V of it would destroy the radio',
    );
  });

  it('names every target but the usual one', () => {
    expect(describeTarget(0.9)).toBe('');
    expect(describeTarget(0.5)).toBe(', target 50 %');
  });
});
