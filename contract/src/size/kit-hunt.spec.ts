import type { Problem } from '@knapsack/core';
import { shelf, trip } from '../testing/documents.js';
import type { Gear } from '../documents/gear.js';
import { KitHunt, type HuntState } from './kit-hunt.js';
import { KitWorker, type FromKitWorker, type ToKitWorker } from './kit-worker.js';
import { USUAL_SIZE_OPTIONS } from './size-options.js';

/** A worker that runs here, one message a turn; dies when told. */
class TestHand {
  private readonly worker = new KitWorker();
  posted = 0;
  gone = false;
  constructor(
    private readonly answered: (message: FromKitWorker) => void,
    private readonly died: () => void,
    private readonly diesAt: number,
  ) {}
  post(message: ToKitWorker): void {
    this.posted += 1;
    const dies = this.posted === this.diesAt;
    queueMicrotask(() => {
      if (this.gone) return;
      if (dies) this.died();
      else this.answered(this.worker.answer(message));
    });
  }
  dismiss(): void {
    this.gone = true;
  }
}

const gear: readonly Gear[] = shelf.map((item) =>
  item.kind === 'battery'
    ? { ...item, weightG: { value: 1000, source: 'datasheet' }, ratedAh: { value: 3, source: 'datasheet' } }
    : item,
);
const question = { trip: trip(), shelf: gear, options: USUAL_SIZE_OPTIONS };

function hunted(
  diesAt: readonly number[],
  stopAfterKits = false,
): Promise<{ states: HuntState[]; end: string; hands: TestHand[] }> {
  const states: HuntState[] = [];
  const hands: TestHand[] = [];
  return new Promise((resolve) => {
    const end = (how: string) => resolve({ states, end: how, hands });
    const hunt = new KitHunt(
      (answered, died) => {
        const hand = new TestHand(answered, died, diesAt[hands.length] ?? 0);
        hands.push(hand);
        return hand;
      },
      2,
      {
        changed: (state) => {
          states.push(state);
          if (stopAfterKits) {
            hunt.stop();
            setTimeout(() => end('stopped'));
          } else if (state.finished) end('finished');
        },
        refused: (problems: readonly Problem[]) => end(problems[0].sentence),
        failed: () => end('failed'),
        explained: () => undefined,
        plans: () => undefined,
      },
    );
    hunt.start(question);
  });
}

describe('the hunt on several workers', () => {
  it('comes to the same fronts whoever tries which kit, and tells partial ones on the way', async () => {
    const calm = await hunted([]);
    expect(calm.end).toBe('finished');
    expect(calm.states.length).toBeGreaterThan(1);
    const last = calm.states.at(-1)!;
    expect(last.done).toBe(last.of);
    expect(last.fronts.weight.length).toBeGreaterThan(0);
    const upset = await hunted([2, 0, 3]);
    expect(upset.end).toBe('finished');
    expect(upset.hands.length).toBeGreaterThan(2);
    expect(upset.states.at(-1)!.fronts).toEqual(last.fronts);
  });

  it('gives up where workers die again and again', async () => {
    expect((await hunted([1, 1, 1, 1, 1, 1, 1, 1])).end).toBe('failed');
  });

  it('says nothing more once it is stopped', async () => {
    const { states } = await hunted([], true);
    expect(states.length).toBe(1);
  });
});
