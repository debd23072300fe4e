import { answering } from './answering';
import type { Answered } from './newest-worker';
import type { Work } from './work';

describe('the worker’s side of questions', () => {
  let said: Answered<string>[];
  const real = globalThis.postMessage;
  const ask = (hear: ReturnType<typeof answering<string, string>>, number: number, question: string | null) =>
    hear({ data: { number, question } } as Parameters<typeof hear>[0]);
  const turn = () => new Promise((done) => setTimeout(done, 5));

  beforeEach(() => {
    said = [];
    // So much time has gone by at each look that there is one.
    let nowMs = 0;
    spyOn(performance, 'now').and.callFake(() => (nowMs += 50));
    globalThis.postMessage = ((data: Answered<string>) => said.push(data)) as typeof postMessage;
  });
  afterEach(() => {
    globalThis.postMessage = real;
  });

  it('answers each with its number, and says where more is to come', () => {
    const hear = answering<string, string>((question, { say }) => {
      say(`${question}?`, true);
      say(`${question}.`);
    });
    ask(hear, 7, 'a');
    expect(said).toEqual([
      { number: 7, answer: 'a?', more: true },
      { number: 7, answer: 'a.', more: false },
    ]);
  });

  /** Says the number of the step, until nobody waits any more. */
  const steps: Work<string, string> = async (question, { say, isNewest }) => {
    for (let step = 1; step <= 3; step++) {
      say(`${question}${step}`, true);
      if (!(await isNewest())) return;
    }
    say(question);
  };

  it('goes on while its question is the newest, and stops for a newer one', async () => {
    const hear = answering(steps);
    ask(hear, 1, 'a');
    ask(hear, 2, 'b');
    for (let turns = 0; turns < 5; turns++) await turn();
    expect(said.map(({ answer }) => answer)).toEqual(['a1', 'b1', 'b2', 'b3', 'b']);
  });

  it('stops where nobody waits, and works at nothing', async () => {
    const hear = answering(steps);
    ask(hear, 1, 'a');
    ask(hear, 2, null);
    await turn();
    expect(said.map(({ answer }) => answer)).toEqual(['a1']);
  });

  it('lets a newer question in once it has worked for a while', async () => {
    const hear = answering(steps);
    ask(hear, 1, 'a');
    setTimeout(() => ask(hear, 2, null));
    await turn();
    await turn();
    expect(said.map(({ answer }) => answer)).toEqual(['a1', 'a2']);
  });
});
