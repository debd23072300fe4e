import { NewestWorker, type Asked } from './newest-worker';

/** A worker that answers when it is told to. */
class SlowWorker {
  readonly sent: Asked<string>[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: ((event: { preventDefault(): void }) => void) | null = null;
  terminated = false;
  postMessage = (asked: Asked<string>) => this.sent.push(asked);
  terminate = () => (this.terminated = true);
  answer(): void {
    const { number, question } = this.sent.at(-1)!;
    this.onmessage?.({ data: { number, answer: question.toUpperCase() } });
  }
  die = () => this.onerror?.({ preventDefault: () => undefined });
}

describe('a worker of which only the newest question matters', () => {
  let hired: SlowWorker[];
  let heard: [string, boolean, string | null][];
  let failed: number;
  let worker: NewestWorker<string, string>;

  beforeEach(() => {
    hired = [];
    heard = [];
    failed = 0;
    worker = new NewestWorker<string, string>(
      () => {
        const slow = new SlowWorker();
        hired.push(slow);
        return slow as unknown as Worker;
      },
      {
        answered: (answer, newest, question) => heard.push([answer, newest, question]),
        failed: () => failed++,
      },
    );
  });

  it('answers one at a time and leaves out what was overtaken', () => {
    for (const question of ['a', 'b', 'c']) worker.ask(question);
    expect(hired[0].sent.map(({ question }) => question)).toEqual(['a']);
    hired[0].answer();
    expect(hired[0].sent.map(({ question }) => question)).toEqual(['a', 'c']);
    hired[0].answer();
    expect(heard).toEqual([
      ['A', false, 'a'],
      ['C', true, 'c'],
    ]);
  });

  it('is replaced once for a question when it dies, and told the second time', () => {
    worker.ask('a');
    hired[0].die();
    expect(hired[0].terminated).toBeTrue();
    expect(hired[1].sent.map(({ question }) => question)).toEqual(['a']);
    expect(failed).toBe(0);
    hired[1].die();
    expect(failed).toBe(1);
    expect(hired[2].sent).toEqual([]);
    worker.ask('b');
    hired[2].answer();
    expect(heard).toEqual([['B', true, 'b']]);
  });

  /** One that listens while it works. */
  function listening() {
    const slow = new SlowWorker();
    const told: [string, boolean, string | null][] = [];
    const streaming = new NewestWorker<string, string>(
      () => slow as unknown as Worker,
      {
        answered: (answer, newest, question) => told.push([answer, newest, question]),
        failed: () => failed++,
      },
      true,
    );
    return { slow, told, streaming };
  }

  it('that listens while it works is told at once, and the last of several answers is known', () => {
    const { slow, told, streaming } = listening();
    streaming.ask('a');
    streaming.ask('b');
    expect(slow.sent.map(({ question }) => question)).toEqual(['a', 'b']);
    slow.onmessage?.({ data: { number: 1, answer: 'of a', more: true } });
    slow.onmessage?.({ data: { number: 2, answer: 'first of b', more: true } });
    slow.onmessage?.({ data: { number: 2, answer: 'last of b' } });
    expect(told).toEqual([
      ['of a', false, null],
      ['first of b', true, 'b'],
      ['last of b', true, 'b'],
    ]);
  });

  it('drops what waits where nobody waits for it; what is under way is heard out', () => {
    worker.ask('a');
    worker.ask('b');
    worker.drop();
    hired[0].answer();
    expect(hired[0].sent.map(({ question }) => question)).toEqual(['a']);
    expect(heard).toEqual([['A', false, 'a']]);
  });

  it('that listens while it works is told that nobody waits, and is heard no more of it', () => {
    const { slow, told, streaming } = listening();
    streaming.ask('a');
    streaming.drop();
    expect(slow.sent.map(({ number, question }) => [number, question as unknown])).toEqual([
      [1, 'a'],
      [2, null],
    ]);
    slow.onmessage?.({ data: { number: 1, answer: 'of a' } });
    expect(told).toEqual([['of a', false, null]]);
    expect(slow.terminated).toBeFalse();
    streaming.ask('b');
    slow.onmessage?.({ data: { number: 3, answer: 'of b' } });
    expect(told.at(-1)).toEqual(['of b', true, 'b']);
  });
});
