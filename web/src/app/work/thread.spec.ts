import type { Asked } from './newest-worker';
import { Thread } from './thread';

/** A worker with desks: each says what it heard in capitals, unless told to break down. */
class Deskful {
  static readonly hired: Deskful[] = [];
  readonly heard: unknown[] = [];
  onerror: ((event: ErrorEvent) => void) | null = null;
  terminated = false;
  terminate = () => (this.terminated = true);

  constructor(readonly name: string) {
    Deskful.hired.push(this);
  }

  postMessage({ desk }: { desk: string }, [port]: MessagePort[]): void {
    port.onmessage = ({ data }: MessageEvent<Asked<string | null>>) => {
      this.heard.push(data);
      const { number, question } = data;
      if (question === 'break') port.postMessage({ fault: 'broken' });
      else if (question !== null) port.postMessage({ number, answer: `${desk}: ${question}` });
    };
  }
}

describe('a thread', () => {
  let name: string;
  let thread: Thread<'chance' | 'wire'>;
  beforeEach(() => {
    name = 'en-IE';
    Deskful.hired.length = 0;
    thread = new Thread(
      () => name,
      (told) => new Deskful(told) as unknown as Worker,
    );
  });

  /** The next thing that a desk says, or that it broke down. */
  const next = (desk: ReturnType<typeof thread.desk>) =>
    new Promise<unknown>((told) => {
      desk.onmessage = ({ data }) => told(data);
      desk.onerror = (event) => told(event instanceof ErrorEvent ? event.message : event);
    });
  const ask = (desk: ReturnType<typeof thread.desk>, number: number, question: string) => {
    const answer = next(desk);
    desk.postMessage({ number, question });
    return answer;
  };

  it('hires one worker, in which each kind of work answers at its own desk', async () => {
    const [chance, wire] = [thread.desk('chance'), thread.desk('wire')];
    expect(await Promise.all([ask(chance, 1, 'a'), ask(wire, 1, 'b')])).toEqual([
      { number: 1, answer: 'chance: a' },
      { number: 1, answer: 'wire: b' },
    ]);
    expect(Deskful.hired.map((worker) => worker.name)).toEqual(['en-IE']);
  });

  it('tells a fault at the desk that has it, and goes on at the other', async () => {
    const [chance, wire] = [thread.desk('chance'), thread.desk('wire')];
    const other = next(wire);
    expect(await ask(chance, 1, 'break')).toBe('broken');
    wire.postMessage({ number: 1, question: 'b' });
    expect(await other).toEqual({ number: 1, answer: 'wire: b' });
    expect(Deskful.hired[0].terminated).toBeFalse();
  });

  it('tells a desk that is let go that nobody waits, and lets the worker go with the last', async () => {
    const [chance, wire] = [thread.desk('chance'), thread.desk('wire')];
    chance.terminate();
    await ask(wire, 1, 'b');
    const [worker] = Deskful.hired;
    expect(worker.heard).toContain({ number: Infinity, question: null });
    expect(worker.terminated).toBeFalse();
    wire.terminate();
    expect(worker.terminated).toBeTrue();
    thread.desk('wire');
    expect(Deskful.hired).toHaveSize(2);
  });

  it('tells all desks of a worker that died, and hires another for the next', async () => {
    const desks = [thread.desk('chance'), thread.desk('wire')];
    const told = Promise.all(desks.map(next));
    Deskful.hired[0].onerror!(new ErrorEvent('error', { message: 'dead' }));
    expect(await told).toEqual(['dead', 'dead']);
    expect(await ask(thread.desk('chance'), 2, 'a')).toEqual({ number: 2, answer: 'chance: a' });
    expect(Deskful.hired.map(({ terminated }) => terminated)).toEqual([true, false]);
  });

  it('speaks in the habits of the moment: a desk of before keeps its worker until it is let go', async () => {
    const before = thread.desk('chance');
    name = 'en-US';
    const after = thread.desk('chance');
    expect(Deskful.hired.map((worker) => worker.name)).toEqual(['en-IE', 'en-US']);
    expect(await ask(before, 1, 'a')).toEqual({ number: 1, answer: 'chance: a' });
    before.terminate();
    expect(Deskful.hired.map(({ terminated }) => terminated)).toEqual([true, false]);
    expect(await ask(after, 1, 'a')).toEqual({ number: 1, answer: 'chance: a' });
  });
});
