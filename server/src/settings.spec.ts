import { StartProblem } from './database/open-database.js';
import { readSettings } from './settings.js';
import { start } from './start.js';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

describe('settings', () => {
  it('come from the environment, with a home and a port of their own', () => {
    expect(readSettings({ KNAPSACK_DATA: 'here', PORT: '5000' })).toEqual({
      dataFolder: 'here',
      port: 5000,
      reach: null,
    });
    const { dataFolder, port } = readSettings({});
    expect(port).toBe(4173);
    expect(dataFolder.endsWith('.knapsack')).toBeTrue();
  });

  it('refuse a port that is none', () => {
    for (const PORT of ['http', '-1', '70000', '1.5'])
      expect(() => readSettings({ PORT })).toThrowError(StartProblem);
  });
});

describe('starting', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('says in a sentence that a port is taken', async () => {
    const options = { dataFolder: folder, port: 0, webFolder: folder, demoFolder: folder, withDemo: false };
    const first = await start(options);
    const port = Number(new URL(first.address).port);
    const elsewhere = { ...options, dataFolder: join(folder, 'other') };
    await expectAsync(start({ ...elsewhere, port })).toBeRejectedWithError(StartProblem, /is taken/);
    await first.close();
  });
});
