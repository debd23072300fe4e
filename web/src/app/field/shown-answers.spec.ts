import { ShownAnswers } from './shown-answers';

describe('answers that are shown', () => {
  const trip = {};

  it('are all of them for a hand that waits', () => {
    const answers = new ShownAnswers();
    expect(answers.takes([trip, 1], true)).toBeTrue();
    expect(answers.takes([trip, 1], false)).toBeTrue();
    expect(answers.takes([trip, 2], true)).toBeTrue();
    // One by hand was asked meanwhile, and the answer to what was asked before it comes still.
    expect(answers.takes([trip, 1], false)).toBeTrue();
    expect(answers.takes([trip, 2], true)).toBeTrue();
    expect(answers.takes([trip, 2], false)).toBeTrue();
    expect(answers.takes([{}, 2], true)).toBeTrue();
  });

  it('are the full ones alone where only time went on', () => {
    const answers = new ShownAnswers();
    answers.takes([trip, 1], false);
    expect(answers.takes([trip, 1], true)).toBeFalse();
    expect(answers.takes([trip, 1], false)).toBeTrue();
  });
});
