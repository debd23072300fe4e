import { HeadStart, type Hired } from './head-start';
import { NewestWorker, type Asked } from './newest-worker';

/** A worker that answers when it is told to. */
class SlowWorker implements Hired {
  readonly sent: Asked<string>[] = [];
  onmessage: Hired['onmessage'] = null;
  onerror: Hired['onerror'] = null;
  postMessage = (asked: Asked<string>) => this.sent.push(asked);
  terminate = () => undefined;
  say(answer: string, number: number, more = false): void {
    this.onmessage?.call({} as Worker, { data: { number, answer, more } } as MessageEvent);
  }
  die(): void {
    this.onerror?.call({} as Worker, { preventDefault: () => undefined } as ErrorEvent);
  }
}

describe('a worker that was asked before anybody wanted to know', () => {
  let slow: SlowWorker;
  let heard: string[];
  let answers: string[];
  const sent = () => slow.sent.map(({ question }) => question);

  const started = () =>
    new HeadStart<string, string>(
      slow,
      'plan',
      (a, b) => a === b,
      (answer) => heard.push(answer),
    );
  const hiredFrom = (worker: Hired, others: SlowWorker[] = []) =>
    new NewestWorker<string, string>(
      jasmine.createSpy().and.returnValues(worker, ...others),
      { answered: (answer) => answers.push(answer), failed: () => answers.push('failed') },
      true,
    );

  beforeEach(() => {
    slow = new SlowWorker();
    heard = [];
    answers = [];
  });

  it('answers at once what is there already, without being asked again', () => {
    const worker = started();
    slow.say('lasts', 0);
    expect(heard).toEqual(['lasts']);
    hiredFrom(worker).ask('plan');
    expect(answers).toEqual(['lasts']);
    expect(sent()).toEqual(['plan']);
  });

  it('answers when it is ready what was not there yet, as often as it has something to say', () => {
    const asking = hiredFrom(started());
    asking.ask('plan');
    slow.say('lasts, perhaps', 0, true);
    slow.say('lasts', 0);
    expect(answers).toEqual(['lasts, perhaps', 'lasts']);
    asking.ask('other');
    slow.say('does not', 2);
    expect(answers.at(-1)).toBe('does not');
    expect(sent()).toEqual(['plan', 'other']);
  });

  it('says nothing of it where something else is asked first, or later', () => {
    const asking = hiredFrom(started());
    asking.ask('other');
    slow.say('lasts', 0);
    expect(answers).toEqual([]);
    slow.say('does not', 1);
    asking.ask('plan');
    expect(answers).toEqual(['does not']);
    expect(sent()).toEqual(['plan', 'other', 'plan']);
  });

  it('is replaced where it died before it was wanted', async () => {
    const worker = started();
    slow.die();
    const other = new SlowWorker();
    hiredFrom(worker, [other]).ask('plan');
    await new Promise((resolve) => setTimeout(resolve));
    expect(other.sent.map(({ question }) => question)).toEqual(['plan']);
    other.say('lasts', 1);
    expect(answers).toEqual(['lasts']);
  });
});
