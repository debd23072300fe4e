import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { alone } from './alone.mjs';

describe('what is done alone', () => {
  let folder;
  let how;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    how = { lock: join(folder, 'lock'), pauseMs: 5 };
    spyOn(process.stdout, 'write').and.returnValue(true);
    spyOn(process.stderr, 'write').and.returnValue(true);
  });
  afterEach(() => rmSync(folder, { recursive: true }));

  it('is never done by two at once, and each has its turn', async () => {
    let inside = 0;
    let most = 0;
    const work = async (value) => {
      most = Math.max(most, (inside += 1));
      await new Promise((done) => setTimeout(done, 15));
      inside -= 1;
      return value;
    };
    const done = await Promise.all([1, 2, 3].map((value) => alone('it', () => work(value), how)));
    expect(done).toEqual([1, 2, 3]);
    expect(most).toBe(1);
    expect(existsSync(how.lock)).toBeFalse();
  });

  it('goes on where a command that was killed has left its lock, and after a failure', async () => {
    // No process has this number.
    writeFileSync(how.lock, '99999999');
    expect(await alone('it', async () => 'done', how)).toBe('done');
    await expectAsync(
      alone(
        'it',
        async () => {
          throw new Error('no');
        },
        how,
      ),
    ).toBeRejectedWithError('no');
    expect(await alone('it', async () => 'again', how)).toBe('again');
  });
});
