import { shelf, trip } from '@knapsack/contract/testing/outing';
import { assessTrip, keepVariant } from '@knapsack/contract';
import { whatIf } from '@knapsack/contract/what-if';
import type { ChanceAnswer } from './chance-protocol';
import { chanceWork } from './chance-work';
import type { PackingAnswer } from './pack-protocol';
import { packingWork } from './pack-work';
import type { WhatIfAnswer } from './what-if-protocol';
import { whatIfWork } from './what-if-work';
import { whileNewest, type Answers } from './work';

/** Hears what work says, and is the newest for so many looks. */
class Hearer<Answer> implements Answers<Answer> {
  readonly said: { readonly answer: Answer; readonly more: boolean }[] = [];
  looks = 0;
  constructor(private readonly isNewestFor = Infinity) {}
  say = (answer: Answer, more = false) => void this.said.push({ answer, more });
  isNewest = () => Promise.resolve(++this.looks < this.isNewestFor);
}

describe('long work', () => {
  it('goes on part by part while its question is the newest, and says what it came to', async () => {
    const done: number[] = [];
    function* threeParts() {
      for (const part of [1, 2, 3]) {
        done.push(part);
        yield;
      }
      return 'done';
    }
    expect(await whileNewest(threeParts(), new Hearer().isNewest)).toEqual({ isDone: true, is: 'done' });
    done.length = 0;
    expect(await whileNewest(threeParts(), new Hearer(2).isNewest)).toEqual({ isDone: false });
    expect(done).toEqual([1, 2]);
  });

  it('of chances is told after a hundred samples, and in full at the end, as everywhere', async () => {
    const small = trip({ startSoc: 0.2 });
    const hearer = new Hearer<ChanceAnswer>();
    await chanceWork({ trip: small, shelf }, hearer);
    const [first, last, ...others] = hearer.said;
    expect(others).toEqual([]);
    expect([first.more, first.answer.chance!.samples, first.answer.tornado]).toEqual([true, 100, null]);
    const { found, wire } = assessTrip(small, shelf);
    expect(last.answer.chance).toEqual(found!.chance);
    expect([last.more, last.answer.skyFactor, last.answer.wouldDoAh]).toEqual([
      ...[false, found!.skyFactor, found!.wouldDoAh],
    ] as never);
    expect(last.answer.wire).toEqual(wire);
    expect(last.answer.tornado).not.toBeNull();
  });

  it('of chances stops where nobody waits: in the samples, and while it looks for a battery that would do', async () => {
    const all = new Hearer<ChanceAnswer>();
    const question = { trip: trip({ startSoc: 0.2 }), shelf };
    await chanceWork(question, all);
    for (const looks of [1, Math.floor(all.looks / 2), all.looks - 1]) {
      const hearer = new Hearer<ChanceAnswer>(looks);
      await chanceWork(question, hearer);
      expect(hearer.said.filter(({ more }) => !more)).toEqual([]);
      expect(hearer.looks).toBe(looks);
    }
  });

  it('of a bag without a piece says it once, or nothing where nobody waits', async () => {
    const question = { trip: trip({ startSoc: 0.2 }), shelf, without: [shelf[1].id] };
    const hearer = new Hearer<PackingAnswer>();
    await packingWork(question, hearer);
    expect(hearer.said.length).toBe(1);
    const [{ answer }] = hearer.said;
    const { found } = assessTrip(question.trip, shelf);
    expect([answer.oddsPacked!.finished, answer.oddsPacked!.samples]).toEqual([
      found!.chance.finished,
      found!.chance.samples,
    ]);
    for (const looks of [1, hearer.looks - 1]) {
      const left = new Hearer<PackingAnswer>(looks);
      await packingWork(question, left);
      expect([left.said, left.looks]).toEqual([[], looks]);
    }
  });

  it('of what would be otherwise says it once, its variants too, or nothing where nobody waits', async () => {
    const plan = keepVariant(trip({ startSoc: 0.2 }), 'v', 'kept');
    const hearer = new Hearer<WhatIfAnswer>();
    await whatIfWork({ trip: plan, shelf }, hearer);
    const [{ answer }] = hearer.said;
    expect(hearer.said.length).toBe(1);
    expect(answer.whatIf).toEqual(whatIf(plan, shelf));
    expect(answer.variants.map(({ id, ofFailures }) => [id, ofFailures])).toEqual([['v', 2]]);
    for (const looks of [1, Math.floor(hearer.looks / 2), hearer.looks - 1]) {
      const left = new Hearer<WhatIfAnswer>(looks);
      await whatIfWork({ trip: plan, shelf }, left);
      expect([left.said, left.looks]).toEqual([[], looks]);
    }
  });
});
