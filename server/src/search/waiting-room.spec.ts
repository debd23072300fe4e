import { WaitingRoom } from './waiting-room.js';

/** A piece of work that ends when it is told to. */
function job() {
  let end: () => void = () => undefined;
  const ended = new Promise<void>((done) => (end = done));
  return { end, work: () => ended };
}
const turn = () => new Promise((done) => setImmediate(done));

describe('a waiting room', () => {
  it('lets so many in at once, and the next when one leaves, in the order in which they came', async () => {
    const room = new WaitingRoom(2);
    const jobs = [job(), job(), job(), job()];
    const begun: number[] = [];
    const places: number[] = [];
    const all = jobs.map(({ work }, index) =>
      room.run(
        () => {
          begun.push(index);
          return work();
        },
        { told: (place) => places.push(place) },
      ),
    );
    await turn();
    expect([begun, room.running, room.waiting, places]).toEqual([[0, 1], 2, 2, [1, 2]]);
    jobs[1].end();
    await turn();
    expect([begun, room.running, room.waiting]).toEqual([[0, 1, 2], 2, 1]);
    jobs.forEach(({ end }) => end());
    await Promise.all(all);
    expect([begun, room.running, room.waiting]).toEqual([[0, 1, 2, 3], 0, 0]);
  });

  it('forgets who goes away while it waits, and lets go of who fails', async () => {
    const room = new WaitingRoom(1);
    const first = job();
    const inside = room.run(first.work);
    const gone = new AbortController();
    const waits = room.run(() => Promise.resolve(), { signal: gone.signal });
    gone.abort(new Error('gone'));
    await expectAsync(waits).toBeRejectedWithError('gone');
    expect(room.waiting).toBe(0);
    first.end();
    await inside;
    await expectAsync(room.run(() => Promise.reject(new Error('broken')))).toBeRejectedWithError('broken');
    expect(room.running).toBe(0);
    await expectAsync(room.run(() => Promise.resolve(), { signal: gone.signal })).toBeRejected();
  });
});
