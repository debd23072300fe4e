import { inLanes } from './lanes.mjs';

/** Tasks that last until they are told to end, and what has begun and ended of them. */
function held(...named) {
  const said = [];
  const ends = new Map();
  const tasks = named.map(([name, ...after]) => ({
    name,
    after,
    work: () => {
      said.push(name);
      return new Promise((done, failed) => ends.set(name, { done, failed }));
    },
  }));
  const turn = () => new Promise((resolve) => setTimeout(resolve));
  const end = async (name, error) => {
    if (error) ends.get(name).failed(error);
    else ends.get(name).done();
    await turn();
  };
  return { tasks, said, end };
}

describe('work in lanes', () => {
  it('takes the tasks in their order, as many at a time as there are lanes', async () => {
    const { tasks, said, end } = held(['a'], ['b'], ['c'], ['d']);
    const all = inLanes(2, tasks);
    expect(said).toEqual(['a', 'b']);
    await end('b');
    expect(said).toEqual(['a', 'b', 'c']);
    await end('c');
    await end('a');
    await end('d');
    await all;
    expect(said).toEqual(['a', 'b', 'c', 'd']);
  });

  it('lets one that must wait stand aside for those after it, and takes it when it may', async () => {
    const { tasks, said, end } = held(['page'], ['days', 'page'], ['lint']);
    const all = inLanes(2, tasks);
    expect(said).toEqual(['page', 'lint']);
    await end('lint');
    expect(said).toEqual(['page', 'lint']);
    await end('page');
    expect(said).toEqual(['page', 'lint', 'days']);
    await end('days');
    await all;
  });

  it('fails with the first that fails, and begins nothing more, what waits for it included', async () => {
    const { tasks, said, end } = held(['page'], ['lint'], ['days', 'page'], ['more']);
    const all = inLanes(2, tasks);
    const failure = all.then(
      () => null,
      (error) => error.message,
    );
    await end('page', new Error('broken'));
    expect(await failure).toBe('broken');
    await end('lint');
    expect(said).toEqual(['page', 'lint']);
  });

  it('says what waits for no task', async () => {
    await expectAsync(inLanes(1, [{ name: 'a', after: ['b'], work: () => undefined }])).toBeRejectedWithError(
      '“a” comes after “b”, which is no task.',
    );
  });
});
