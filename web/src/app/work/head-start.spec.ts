import { SlowWorker } from '../testing/slow-worker';
import { HeadStart, type Hired } from './head-start';
import { NewestWorker } from './newest-worker';

describe('a worker that was asked before anybody wanted to know', () => {
  let slow: SlowWorker<string>;
  let heard: string[];
  let answers: string[];
  const sent = () => slow.sent.map(({ question }) => question);

  const started = () =>
    new HeadStart<string, string>(
      slow as unknown as Hired,
      'plan',
      (a, b) => a === b,
      (answer) => heard.push(answer),
    );
  const hiredFrom = (worker: Hired, others: SlowWorker<string>[] = []) =>
    new NewestWorker<string, string>(
      jasmine.createSpy().and.returnValues(worker, ...others),
      { answered: (answer) => answers.push(answer), failed: () => answers.push('failed') },
      true,
    );

  beforeEach(() => {
    slow = new SlowWorker<string>();
    heard = [];
    answers = [];
  });

  it('answers at once what is there already, without being asked again', () => {
    const worker = started();
    slow.answer(0, 'lasts');
    expect(heard).toEqual(['lasts']);
    hiredFrom(worker).ask('plan');
    expect(answers).toEqual(['lasts']);
    expect(sent()).toEqual(['plan']);
  });

  it('answers when it is ready what was not there yet, as often as it has something to say', () => {
    const asking = hiredFrom(started());
    asking.ask('plan');
    slow.answer(0, 'lasts, perhaps', true);
    slow.answer(0, 'lasts');
    expect(answers).toEqual(['lasts, perhaps', 'lasts']);
    asking.ask('other');
    slow.answer(2, 'does not');
    expect(answers.at(-1)).toBe('does not');
    expect(sent()).toEqual(['plan', 'other']);
  });

  it('says nothing of it where something else is asked first, or later', () => {
    const asking = hiredFrom(started());
    asking.ask('other');
    slow.answer(0, 'lasts');
    expect(answers).toEqual([]);
    slow.answer(1, 'does not');
    asking.ask('plan');
    expect(answers).toEqual(['does not']);
    expect(sent()).toEqual(['plan', 'other', 'plan']);
  });

  it('is replaced where it died before it was wanted', async () => {
    const worker = started();
    slow.die();
    const other = new SlowWorker<string>();
    hiredFrom(worker, [other]).ask('plan');
    await new Promise((resolve) => setTimeout(resolve));
    expect(other.sent.map(({ question }) => question)).toEqual(['plan']);
    other.answer(1, 'lasts');
    expect(answers).toEqual(['lasts']);
  });
});
